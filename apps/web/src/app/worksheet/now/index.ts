export { NowPanel } from './now-panel';
