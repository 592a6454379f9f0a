export { forgetLetter, outbox, sendMessage } from './routes.js';
