export { IdentifyView } from './identify-view';
