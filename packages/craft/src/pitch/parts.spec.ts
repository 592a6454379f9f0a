import { describe, expect, it } from 'vitest';
import { hertz } from '../units/index.js';
import { Background } from './background.js';
import { candidatesOf, detectPitch, distinct, scoreOf } from './detect.js';
import { fitPartials, nearestPeak, partialAt } from './fit.js';
import { peaksOf, type Peak } from './peaks.js';
import { Ring } from './ring.js';
import { spectrumOf } from './spectrum.js';
import { rungBy } from './track.js';
import { whichString, type Candidate } from './which-string.js';

const peak = (frequency: number, above = 100): Peak => ({ frequency, magnitude: above, above });
const off = (one: number, other: number) => 1200 * Math.log2(one / other);

describe('which string it is, by Bayes’ rule', () => {
  const string = (target: number, more: Partial<Candidate> = {}): Candidate => ({ target: hertz(target), last: null, breaks: null,...more }); // prettier-ignore
  const normal = (cents: number, spread: number) => Math.exp(-((cents / spread) ** 2) / 2) / (spread * Math.sqrt(2 * Math.PI));
  const ANYWHERE = 1 / 3900; // from three octaves under its note to three semitones over
  const NONE = 0.005 / 7200;

  it('six in ten that it is the one in hand, the others share the rest; none of them 0.005 over six octaves', () => {
    const strings = [string(330), string(247, { last: hertz(247) }), string(196, { last: hertz(190) })];
    const heard = hertz(240);
    const masses = [
      0.6 * ANYWHERE,
      0.2 * (0.95 * normal(off(240, 247), 35) + 0.05 * ANYWHERE),
      0.2 * 0.95 * normal(off(240, 190), 35), // 351 cents over its note: nowhere else
    ];
    const all = masses.reduce((sum, each) => sum + each, NONE);
    const which = whichString(heard, strings, 0);
    expect(which?.each).toEqual(masses.map((mass) => expect.closeTo(mass / all, 9) as number));
    expect(which?.string).toBe(1);
    expect(which?.probability).toBeCloseTo((masses[1] ?? 0) / all, 9);
    expect(which?.inHand).toBeCloseTo((masses[0] ?? 0) / all, 9);
    expect(whichString(heard, strings, null)?.inHand).toBe(0);
  });

  it('the one in hand is looked for six times as wide, and between where it was and where it is brought', () => {
    const heard = hertz(180);
    const alone = whichString(heard, [string(196, { last: hertz(170) })], 0);
    const mass = 0.6 * (0.7 * normal(off(180, 170), 200) + 0.3 * ANYWHERE);
    expect(alone?.probability).toBeCloseTo(mass / (mass + NONE), 9);
    const goal = whichString(heard, [string(196, { last: hertz(170), goal: hertz(185) })], 0);
    const both = (normal(off(180, 170), 200) + normal(off(180, 185), 200)) / 2;
    const toGoal = 0.6 * (0.7 * both + 0.3 * ANYWHERE);
    expect(goal?.probability).toBeCloseTo(toGoal / (toGoal + NONE), 9);
  });

  it('lies within three octaves under its note and three semitones over it, the ends among them, and under what breaks it', () => {
    const at = (cents: number, breaks: number | null = null) =>
      whichString(hertz(200 * 2 ** (cents / 1200)), [string(200, { breaks: breaks === null ? null : hertz(breaks) })], 0);
    expect([-3599.9, 299.9].map((cents) => at(cents)?.string)).toEqual([0, 0]);
    expect([-3601, 301].map((cents) => at(cents))).toEqual([null, null]);
    expect(at(100, 212)?.string).toBe(0); // 211.9 Hz
    expect(at(101, 212)).toBeNull();
    expect(whichString(hertz(200), [], null)).toBeNull();
  });
});

describe('the peak that lies nearest', () => {
  const peaks = [peak(100), peak(200), peak(310)];
  it('changes half way between two', () => {
    const nearest = [20, 149, 151, 200, 254, 256, 9000].map((frequency) => nearestPeak(peaks, frequency)?.frequency);
    expect(nearest).toEqual([100, 100, 200, 200, 200, 310, 310]);
  });
  it('is none where there is none', () => expect(nearestPeak([], 100)).toBeNull());
});

describe('a stiff string laid through peaks', () => {
  const partials = (f0: number, b: number, numbers: readonly number[]) => numbers.map((n) => peak(partialAt(n, f0, b)));
  const upTo = (count: number) => Array.from({ length: count }, (_, at) => at + 1);

  it('has its partials at n f0 √(1 + B n²)', () => {
    expect(partialAt(1, 100, 0)).toBe(100);
    expect(partialAt(10, 100, 0.01)).toBeCloseTo(1000 * Math.SQRT2, 9);
  });

  it.each([
    [110, 2e-4, 111, 1e-4],
    [55, 1e-3, 55.5, 1.35e-3],
    [330, 5e-5, 329, 2e-5],
  ])('finds %f Hz and B = %f again from a guess beside', (f0, b, guess, stiffness) => {
    const fit = fitPartials(partials(f0, b, upTo(16)), { f0: guess, inharmonicity: stiffness }, 2.93);
    expect(off(fit.f0, f0)).toBeCloseTo(0, 1);
    expect(fit.inharmonicity / b).toBeCloseTo(1, 1);
    expect(fit.partials.map(({ n }) => n)).toEqual(upTo(16));
  });

  it('is not led astray by a peak that is none of its own, nor by partials that are missing', () => {
    const peaks = [...partials(110, 2e-4, [1, 2, 4, 5, 7, 8, 9, 12]), peak(391), peak(1003)].sort((a, b) => a.frequency - b.frequency);
    const fit = fitPartials(peaks, { f0: 110.5, inharmonicity: 1.5e-4 }, 2.93);
    expect(Math.abs(off(fit.f0, 110))).toBeLessThan(0.3);
    expect(fit.partials.map(({ n }) => n)).toEqual([1, 2, 4, 5, 7, 8, 9, 12]);
  });

  it('is stiff by no less than nothing and no more than the stiffest bass', () => {
    expect(fitPartials(partials(110, 0, upTo(12)), { f0: 110, inharmonicity: 1e-4 }, 2.93).inharmonicity).toBeLessThan(1e-5);
    const stiff = fitPartials(partials(110, 0.0019, upTo(12)), { f0: 110, inharmonicity: 1.9e-3 }, 2.93);
    expect(stiff.inharmonicity).toBeLessThanOrEqual(0.002 + 1e-12);
  });

  it('follows none that lies off the line of the others: the rest says what it would without it', () => {
    for (const [n, hz] of [
      [3, 2],
      [7, -4],
      [15, 5],
    ] as const) {
      const peaks = partials(110, 2e-4, upTo(16)).map((each, index) => (index === n - 1 ? peak(each.frequency + hz) : each));
      const fit = fitPartials(peaks, { f0: 110.1, inharmonicity: 1e-4 }, 2.93);
      expect(off(fit.f0, 110)).toBeCloseTo(0, 9);
      expect(fit.inharmonicity / 2e-4).toBeCloseTo(1, 9);
    }
  });

  it('weighs by what is usual of the others: where all lie a little off, the one that lies far off counts for nothing, wherever it stands', () => {
    const wavy = partials(110, 2e-4, upTo(15)).map(({ frequency }, at) => peak(frequency + (at % 2 === 0 ? 0.25 : -0.3)));
    for (const n of [2, 8, 14]) {
      const without = fitPartials(wavy.filter((_, at) => at !== n - 1), { f0: 110, inharmonicity: 2e-4 }, 2.93); // prettier-ignore
      const fit = fitPartials(wavy.map((each, at) => (at === n - 1 ? peak(each.frequency + 5) : each)), { f0: 110, inharmonicity: 2e-4 }, 2.93); // prettier-ignore
      expect(fit.partials).toHaveLength(15);
      expect(off(fit.f0, without.f0)).toBeCloseTo(0, 2);
    }
  });

  it('has thirty partials at the most, each within two lines of the spectrum, 0.8 % of it, and three tenths of the spacing', () => {
    expect(fitPartials(partials(40, 1e-4, upTo(31)), { f0: 40, inharmonicity: 1e-4 }, 0.1).partials.map(({ n }) => n)).toEqual(upTo(30));
    const lone = (frequency: number, f0: number, bin: number) =>
      fitPartials([peak(frequency)], { f0, inharmonicity: 0 }, bin).partials.length;
    expect([lone(101.9, 100, 1), lone(102.1, 100, 1), lone(129, 100, 20), lone(131, 100, 20)]).toEqual([1, 0, 1, 0]);
    const tenth = (hz: number) =>
      fitPartials([...partials(100, 0, upTo(9)), peak(1000 + hz)], { f0: 100, inharmonicity: 0 }, 0.1).partials.length;
    expect([tenth(7.9), tenth(8.1)]).toEqual([10, 9]);
  });

  it('has no partials where no peak lies near', () => {
    expect(fitPartials([peak(500)], { f0: 110, inharmonicity: 1e-4 }, 2.93)).toEqual({ f0: 110, inharmonicity: 1e-4, partials: [] });
  });
});

describe('a row of frames', () => {
  const frames = (row: readonly (number | null)[], fades = 0.1) =>
    row.map((cents, nth) => ({ time: nth / 10, decibels: -30 - fades * nth, heard: cents === null ? null : { frequency: hertz(110 * 2 ** (cents / 1200)), inharmonicity: 0, confidence: 1 } })); // prettier-ignore
  const told = (row: readonly (number | null)[], fades?: number) => rungBy(frames(row, fades)).map(({ heard }) => (heard === null ? 0 : 1)).join(''); // prettier-ignore

  it('is a string where four follow each other within three cents', () => {
    expect(told([0, 2.9, 5.8, 8.7])).toBe('1111');
    expect(told([0, 2.9, 5.8])).toBe('000');
    expect(told([0, -2.9, 0.2, 0.1, 0])).toBe('00000'); // from the second to the third
    expect(told([null, 5, 5, 5, 5, null, null, null, null, 5, 5, 5, null])).toBe('0111100000000');
    expect(rungBy(frames([0, 1, 2, 3])).map(({ time }) => time)).toEqual([0, 0.1, 0.2, 0.3]);
  });

  it('that fades by more than half a dB a second', () => {
    expect([0.049, 0.051, -1].map((fades) => told([0, 0, 0, 0], fades))).toEqual(['0000', '1111', '0000']);
    expect(told(Array.from({ length: 30 }, () => 0), 0.049)).toBe('0'.repeat(30)); // prettier-ignore
  });
});

describe('what a string explains of what sounds', () => {
  const at = (numbers: readonly number[], f0 = 100, above = 100) => numbers.map((n) => peak(partialAt(n, f0, 0), above));
  const score = (peaks: readonly Peak[], f0: number, inharmonicity = 0) => scoreOf(peaks, { f0, inharmonicity }, 1);

  it('is the share of it, each by how far it stands out, less its partials that are missing among those it has', () => {
    expect(score(at([1, 2, 3, 4]), 100)).toBe(1);
    expect(score(at([1, 3, 4]), 100)).toBeCloseTo(1 - 0.7 / 4, 12);
    expect(score(at([1, 2, 3, 4]), 50)).toBeCloseTo(1 - (0.7 * 4) / 8, 12); // an octave under, every second one is missing
    expect(score(at([1, 2, 3, 4]), 200)).toBeCloseTo(1 / 2, 12); // an octave over, half of them are another's
    // orders of ten: 2 + 1, and no more than 3 for one, however loud
    expect(score([...at([1]), ...at([2.5], 100, 10), ...at([4], 100, 1e6)], 100)).toBeCloseTo(5 / 6 - (0.7 * 2) / 4, 12);
    expect([score([], 100), score(at([1]), 300)]).toEqual([0, 0]);
  });

  it('lies within six in a thousand of a partial, three halves of a line, and a quarter of the spacing', () => {
    const one = (frequency: number, f0: number) => score([peak(frequency)], f0) > 0;
    expect([one(1006, 1000), one(1006.1, 1000), one(101.5, 100), one(101.6, 100), one(5, 4), one(5.1, 4)]).toEqual([true, false, true, false, true, false]); // prettier-ignore
    expect(score(at([1, 2, 3], 100), 100, 0.01)).toBeLessThan(1); // the third of a stiff one lies elsewhere
  });

  it('is asked of the strongest peaks as partials of one to twelve, within what strings sound and what is expected', () => {
    expect(candidatesOf([peak(312)], [])).toEqual([312, 156, 104, 78, 62.4, 52, 312 / 7, 39, 312 / 9, 31.2, 312 / 11, 26]);
    expect(candidatesOf([peak(3000)], []).slice(0, 2)).toEqual([1500, 1000]);
    expect(candidatesOf([peak(312)], [hertz(110)])).toEqual([104, 78]); // from 77.8 to 155.6, half an octave to either side
    const many = Array.from({ length: 12 }, (_, nth) => peak(27 + nth, 100 - nth));
    expect(candidatesOf(many.reverse(), [])).toEqual([27, 28, 29, 30, 31, 32, 33, 34, 35, 36]);
    const quarter = (cents: number) => 100 * 2 ** (cents / 1200);
    expect(distinct([100, quarter(49), quarter(51), quarter(-51)].map((f0) => ({ f0 }))).map(({ f0 }) => Math.round(f0))).toEqual([100, 103, 97]); // prettier-ignore
  });
});

describe('a spectrum', () => {
  const RATE = 8192;
  const SIZE = 4096;
  const tone = (parts: readonly (readonly [hz: number, strength: number])[], noise = 0) => {
    let state = 5;
    const chance = () => (state = (state * 75 + 74) % 65_537) / 65_537 - 0.5;
    return Float32Array.from({ length: SIZE }, (_, at) =>
      parts.reduce((sum, [hz, strength]) => sum + strength * Math.sin((2 * Math.PI * hz * at) / RATE), noise * chance()),
    );
  };

  it('under Hann’s weights is half a quarter of the size high at a tone on a line, half of that on both sides, and nothing beyond', () => {
    const { magnitudes, bin } = spectrumOf(tone([[200, 1]]), RATE);
    expect([bin, magnitudes.length]).toEqual([2, 2048]);
    expect(magnitudes[100]).toBeCloseTo(SIZE / 4, 1); // a sine of one is N/2, its weights a half on average
    expect(magnitudes[99]).toBeCloseTo(SIZE / 8, 1);
    expect(magnitudes[101]).toBeCloseTo(SIZE / 8, 1);
    expect(magnitudes[103]).toBeLessThan(0.01);
    expect(spectrumOf(new Float32Array([1, 0]), RATE).magnitudes).toHaveLength(1);
    for (const size of [1, 3, 1000])
      expect(() => spectrumOf(new Float32Array(size), RATE)).toThrow(`an excerpt must be a power of two, was ${size}`);
  });

  it('has peaks between its lines where the tones are, to a hundredth of a line, and how far they stand above the noise', () => {
    const peaks = peaksOf(spectrumOf(tone([[200.7, 0.5], [423, 0.2]], 0.01), RATE)); // prettier-ignore
    expect(peaks).toHaveLength(2);
    expect(peaks[0]?.frequency).toBeCloseTo(200.7, 1);
    expect(peaks[1]?.frequency).toBeCloseTo(423, 1);
    expect((peaks[0]?.magnitude ?? 0) / (peaks[1]?.magnitude ?? 1)).toBeCloseTo(2.5, 1);
    expect((peaks[0]?.above ?? 0) / (peaks[1]?.above ?? 1)).toBeGreaterThan(1.8);
    expect(peaks[1]?.above).toBeGreaterThan(100);
  });

  it('has none below 20 Hz nor above 6 kHz, and none in noise that is as loud everywhere', () => {
    const hiss = tone([], 0.001);
    const wide = (hz: number) => {
      const samples = hiss.map((noise, at) => noise + Math.sin((2 * Math.PI * hz * at) / 32_768));
      return peaksOf(spectrumOf(samples, 32_768)).map(({ frequency }) => Math.round(frequency));
    };
    expect([wide(6600), wide(5600)]).toEqual([[], [5600]]);
    expect(peaksOf(spectrumOf(tone([[9, 1]], 0.001), RATE)).filter(({ frequency }) => frequency < 15)).toEqual([]);
    expect(peaksOf(spectrumOf(tone([], 1), RATE))).toEqual([]);
  });

  it('leaves out what sounds all the time, two lines to either side, unless it is more than twice as loud now', () => {
    const hum = spectrumOf(tone([[200, 0.1]], 0.001), RATE).magnitudes;
    const heard = (...parts: (readonly [number, number])[]) =>
      peaksOf(spectrumOf(tone(parts, 0.001), RATE), hum).map(({ frequency }) => Math.round(frequency));
    expect(heard([200, 0.15], [400, 0.1])).toEqual([400]);
    expect(heard([202, 0.15], [400, 0.1])).toEqual([400]);
    expect(heard([200, 0.3])).toEqual([200]);
    expect(heard([220, 0.1])).toEqual([220]);
  });

  it('of the room is learned a fifth at a time, for each length by itself', () => {
    const room = new Background();
    expect(room.of(SIZE)).toBeNull();
    room.learn(tone([[200, 1]]), RATE);
    expect(room.of(SIZE)?.[100]).toBeCloseTo(SIZE / 4, 1);
    room.learn(tone([[400, 1]]), RATE);
    expect(room.of(SIZE)?.[100]).toBeCloseTo((0.8 * SIZE) / 4, 1);
    expect(room.of(SIZE)?.[200]).toBeCloseTo((0.2 * SIZE) / 4, 1);
    expect(room.of(SIZE / 2)).toBeNull();
  });

  it('of tones at whole multiples is one string: its first partial, sure of it, and of none that is asked for elsewhere', () => {
    const string = tone([[196, 0.3], [392, 0.25], [588, 0.2], [784, 0.15], [980, 0.1]], 0.001); // prettier-ignore
    const heard = detectPitch({ excerpt: string, sampleRate: RATE, targets: [] });
    expect(off(heard?.frequency ?? 1, 196)).toBeCloseTo(0, 0);
    expect(heard?.confidence).toBeGreaterThan(0.9);
    expect(heard?.inharmonicity).toBeLessThan(5e-5);
    const about = detectPitch({ excerpt: string, sampleRate: RATE, targets: [hertz(150), hertz(205)] });
    expect(off(about?.frequency ?? 1, 196)).toBeCloseTo(0, 0);
    expect(detectPitch({ excerpt: tone([[196, 0.3]], 0.001), sampleRate: RATE, targets: [hertz(700)] })).toBeNull();
    expect(detectPitch({ excerpt: new Float32Array(SIZE), sampleRate: RATE, targets: [] })).toBeNull();
    // one partial alone explains all there is, and is no loud proof
    const lone = detectPitch({ excerpt: tone([[196, 0.3]], 0.001), sampleRate: RATE, targets: [] });
    expect(lone?.confidence).toBeLessThan(0.8);
    expect(lone?.confidence).toBeGreaterThan(0.4);
    // one that has lost every other partial is an octave higher
    const octave = detectPitch({ excerpt: tone([[392, 0.3], [784, 0.2], [1176, 0.1]], 0.001), sampleRate: RATE, targets: [] }); // prettier-ignore
    expect(off(octave?.frequency ?? 1, 392)).toBeCloseTo(0, 0);
    const drowned = tone([[196, 0.3], [392, 0.25], [588, 0.2], [784, 0.15], [333, 0.3], [517, 0.3], [901, 0.3]], 0.001); // prettier-ignore
    expect(detectPitch({ excerpt: drowned, sampleRate: RATE, targets: [] })?.confidence).toBeLessThan(0.7);
  });
});

it('a ring keeps what came last, whether it went round or not', () => {
  const ring = new Ring(5);
  ring.push(Float32Array.of(1, 2, 3));
  expect([...(ring.last(3) ?? [])]).toEqual([1, 2, 3]);
  expect([...(ring.last(2) ?? [])]).toEqual([2, 3]);
  expect([ring.last(4), ring.heard]).toEqual([null, 3]);
  ring.push(Float32Array.of(4, 5, 6, 7));
  expect([...(ring.last(5) ?? [])]).toEqual([3, 4, 5, 6, 7]);
  expect([...(ring.last(1) ?? [])]).toEqual([7]);
  expect([ring.last(6), ring.heard]).toEqual([null, 7]);
});
