export { changeHouse, house, readHouse } from './routes.js';
