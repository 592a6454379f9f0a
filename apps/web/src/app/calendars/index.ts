export { Subscribe } from './subscribe';
