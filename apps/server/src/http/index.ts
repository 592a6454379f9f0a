export { buildApp, type AppParts } from './app.js';
