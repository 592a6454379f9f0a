export { DuePanel } from './due-panel';
export { dueIn, sayWhen } from './due-words';
export { LifePicture } from './life-picture';
