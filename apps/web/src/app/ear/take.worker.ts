import { readSound } from '@gold-peg/contract/sound-file';
import { plucksIn, type HeardSoFar } from '@gold-peg/craft/pitch';

export type OfTake = ({ kind: 'heard' } & HeardSoFar) | { kind: 'refused'; says: string } | { kind: 'over' };

const tell = (message: OfTake) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<ArrayBuffer>) => {
  const read = readSound(new Uint8Array(data));
  if (!read.ok) return tell({ kind: 'refused', says: read.problem });
  for (const soFar of plucksIn(read.value.samples, read.value.sampleRate)) tell({ kind: 'heard', ...soFar });
  tell({ kind: 'over' });
});
