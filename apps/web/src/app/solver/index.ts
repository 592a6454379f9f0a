export { type AnswerRow } from './answer-rows';
export { BenchDialogs } from './bench-dialogs';
export { stringingOf } from './wish-form';
