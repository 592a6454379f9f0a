export { ShelfView } from './shelf-view';
