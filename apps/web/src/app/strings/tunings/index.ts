export { TuningsView } from './tunings-view';
