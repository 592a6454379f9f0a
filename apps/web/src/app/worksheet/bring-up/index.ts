export { BringUp } from './bring-up';
