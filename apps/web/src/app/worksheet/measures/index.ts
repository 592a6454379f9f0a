export { MeasureField } from './measure-field';
