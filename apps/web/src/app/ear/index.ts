export { Listener } from './listener';
export { Microphone } from './microphone';
export { BROKE_OFF, SoundFault, type SoundBlock, type SoundSource } from './sound-source';
export { Takes } from './takes';
