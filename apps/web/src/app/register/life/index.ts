export { DuePanel } from './due-panel';
export { dueIn } from './due-words';
export { LifePicture } from './life-picture';
