export { TableView } from './table-view';
