import { Ear, type Moment } from '@gold-peg/craft/pitch';
import { hertz } from '@gold-peg/craft/units';
import type { ToEar } from './listener';

let ear: Ear | null = null;
let rate = 0;
let expected: number | null = null;

addEventListener('message', ({ data }: MessageEvent<ToEar>) => {
  if (data.kind === 'expect') {
    expected = data.hertz;
    ear?.expect(expected === null ? null : hertz(expected));
    return;
  }
  if (ear === null || rate !== data.sampleRate) {
    rate = data.sampleRate;
    ear = new Ear(rate);
    ear.expect(expected === null ? null : hertz(expected));
  }
  for (const moment of ear.hear(data.samples)) postMessage(moment satisfies Moment);
});
