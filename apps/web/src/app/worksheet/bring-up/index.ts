export { BringUp } from './bring-up';
export { sayTurns } from './reading-words';
