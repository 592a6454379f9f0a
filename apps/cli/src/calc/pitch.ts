import type { Answer, Question } from '@gold-peg/contract/calc';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import { trackPitch } from '@gold-peg/craft/pitch';
import { CONCERT_A4, frequencyOf, hertz, nearestNote } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';
import type { Sound } from '@gold-peg/contract/sound-file';

export function answerPitch({ targetsHz, a4Hz, hopMs }: Question<'pitch'>, sound: Sound | null): Outcome<Answer<'pitch'>, Fault> {
  if (sound === null) return refused({ field: 'file', says: 'must be given: the name of a WAV file after the topic' });
  const a4 = a4Hz === undefined ? CONCERT_A4 : hertz(a4Hz);
  const frames = trackPitch({ ...sound, targets: targetsHz.map(hertz), hop: hopMs / 1000 });
  return done({
    frames: frames.map(({ time, heard }) => {
      if (heard === null) return { timeS: time, frequencyHz: null, note: null, cents: null, confidence: 0 };
      const { frequency, confidence, inharmonicity } = heard;
      const note = nearestNote(frequency, a4);
      const cents = 1200 * Math.log2(frequency / frequencyOf(note, a4));
      return { timeS: time, frequencyHz: frequency, note, cents, confidence, inharmonicity };
    }),
  });
}
