export * from './person.js';
export * from './rights.js';
export * from './session.js';
