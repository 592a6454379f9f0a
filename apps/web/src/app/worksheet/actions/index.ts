export { BenchActions } from './bench-actions';
export { sayHeldUp } from './held-words';
export { bigNumbers } from './prompt';
