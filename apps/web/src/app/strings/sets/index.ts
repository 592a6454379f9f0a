export { SetsView } from './sets-view';
