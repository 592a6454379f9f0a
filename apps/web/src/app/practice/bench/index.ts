export { BenchPlace } from './bench-place';
