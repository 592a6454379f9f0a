export { ClockFact } from './clock-fact';
