export { DuePanel } from './due-panel';
export { dueIn, sayWhen } from './due-words';
export { Remind } from './remind';
export { LifePicture } from './life-picture';
