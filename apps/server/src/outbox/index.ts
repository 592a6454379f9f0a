export { outbox, sendMessage } from './routes.js';
