export { keepPractice, readPractice } from './routes.js';
