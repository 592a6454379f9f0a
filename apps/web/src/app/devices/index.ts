export { Caliper } from './caliper';
