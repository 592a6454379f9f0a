import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import { normal } from './chance.js';

export const SAMPLE_RATE = 48_000;
const SECONDS = 2.2;
const PLUCKED_AT = 0.5;

/** Strings from B0 to E6, each with the stiffness of its kind, and how fast they fade. */
export const NOTES = [
  { name: 'B0', pitch: 30.87, inharmonicity: 1e-4, ring: 10 },
  { name: 'E1', pitch: 41.2, inharmonicity: 3e-4, ring: 9 },
  { name: 'A1', pitch: 55, inharmonicity: 1e-4, ring: 8 },
  { name: 'E2', pitch: 82.41, inharmonicity: 1e-3, ring: 7 },
  { name: 'D3', pitch: 146.83, inharmonicity: 2e-4, ring: 6 },
  { name: 'B3', pitch: 246.94, inharmonicity: 4e-5, ring: 5 },
  { name: 'A4', pitch: 440, inharmonicity: 2e-4, ring: 4 },
  { name: 'E6', pitch: 1318.5, inharmonicity: 1e-3, ring: 3 },
] as const;

export const ROOMS = ['quiet, 20 dB', 'loud, 10 dB', 'small microphone', 'hum', 'a neighbour rings'] as const;
export type Room = (typeof ROOMS)[number];

export interface Take {
  samples: Float32Array;
  /** What was plucked, Hz. */
  pitch: number;
}

/** One pluck of a string that is up to half a semitone off its note, in a room. */
export function pluckIn(room: Room, note: (typeof NOTES)[number], seed: number): Take {
  const chance = chanceFrom(seed);
  const pitch = note.pitch * 2 ** ((chance() - 0.5) / 12);
  const string = soundOf(pitch, note, chance);
  const loud = room === 'loud, 10 dB' ? 10 : 20;
  const power = string.reduce((sum, sample) => sum + sample ** 2, 0) / string.length;
  const noise = Math.sqrt(power) * 10 ** (-loud / 20);
  const begins = Math.round(PLUCKED_AT * SAMPLE_RATE);
  const beside = room === 'a neighbour rings' ? soundOf(note.pitch * 2 ** (-5 / 12), note, chance) : null;
  const samples = Float32Array.from({ length: Math.round(SECONDS * SAMPLE_RATE) }, (_, index) => {
    const own = string[index - begins] ?? 0;
    const others = beside === null ? 0 : 0.06 * (beside[index - begins] ?? 0); // 24 dB under it, plucked along
    return 0.3 * (own + others + (room === 'hum' ? humAt(index) : 0) + noise * normal(chance));
  });
  return { samples: room === 'small microphone' ? withoutLows(samples) : samples, pitch };
}

const soundOf = (pitch: number, { inharmonicity, ring }: (typeof NOTES)[number], chance: () => number) =>
  pluck(
    { first: hertz(pitch), inharmonicity, at: 0.12 + 0.15 * chance(), ring, seconds: SECONDS - PLUCKED_AT, sampleRate: SAMPLE_RATE },
    chance,
  );

/** Of the mains: 50 Hz and what its rectifiers add. */
function humAt(index: number): number {
  const turn = (2 * Math.PI * index) / SAMPLE_RATE;
  return 0.05 * (Math.sin(50 * turn) + 0.5 * Math.sin(100 * turn + 1) + 0.4 * Math.sin(150 * turn + 2));
}

/** As a tablet hears: 12 dB an octave less under 120 Hz, by two poles one after the other. */
function withoutLows(samples: Float32Array): Float32Array {
  const keeps = Math.exp((-2 * Math.PI * 120) / SAMPLE_RATE);
  const once = (from: Float32Array) => {
    let [before, out] = [0, 0];
    return from.map((sample) => {
      out = keeps * (out + sample - before);
      before = sample;
      return out;
    });
  };
  return once(once(samples));
}

export const NOTHINGS = ['silence', 'hum', 'noise', 'taps', 'a motor that starts', 'a voice'] as const;

/** Four seconds in which no string is plucked. */
export function nothing(kind: (typeof NOTHINGS)[number], seed: number): Float32Array {
  const chance = chanceFrom(seed);
  let [phase, tap] = [0, 0];
  return Float32Array.from({ length: 4 * SAMPLE_RATE }, (_, index) => {
    const time = index / SAMPLE_RATE;
    const hiss = 0.0005 * normal(chance);
    switch (kind) {
      case 'silence':
        return hiss;
      case 'hum':
        return hiss + humAt(index);
      case 'noise':
        return 0.1 * normal(chance);
      case 'taps':
        tap = index % Math.round(0.7 * SAMPLE_RATE) === 0 ? 0.5 : tap * 0.998;
        return hiss + tap * normal(chance);
      case 'a motor that starts':
        phase += (2 * Math.PI * (time < 1 ? 0 : Math.min(120, 60 * (time - 1)))) / SAMPLE_RATE;
        return hiss + (time < 1 ? 0 : 0.1 * (Math.sin(phase) + 0.5 * Math.sin(2 * phase)));
      case 'a voice': // its pitch is never still, and it does not fade
        phase += (2 * Math.PI * (150 + 25 * Math.sin(2 * Math.PI * 0.9 * time) + 10 * Math.sin(2 * Math.PI * 5.3 * time))) / SAMPLE_RATE;
        return (
          hiss +
          (0.1 + 0.08 * Math.sin(2 * Math.PI * 2.3 * time)) * (Math.sin(phase) + 0.6 * Math.sin(2 * phase) + 0.4 * Math.sin(3 * phase))
        );
    }
  });
}
