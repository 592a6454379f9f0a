import { readSound } from '@gold-peg/contract/sound-file';
import { plucksIn } from '@gold-peg/craft/pitch';
import type { OfTake } from './takes';

const tell = (message: OfTake) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<ArrayBuffer>) => {
  const read = readSound(new Uint8Array(data));
  if (!read.ok) return tell({ kind: 'refused', says: read.problem });
  for (const soFar of plucksIn(read.value.samples, read.value.sampleRate)) tell({ kind: 'heard', ...soFar });
  tell({ kind: 'over' });
});
