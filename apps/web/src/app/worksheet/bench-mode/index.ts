export { BenchMode } from './bench-mode';
