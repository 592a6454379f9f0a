export { changeHouse, house, houseTools, readHouse } from './routes.js';
