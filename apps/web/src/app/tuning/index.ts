export { type TunedNeck, type TuningData, TuningEditor } from './tuning-editor';
export { sayVerdicts, tuningRows } from './tuning-rows';
