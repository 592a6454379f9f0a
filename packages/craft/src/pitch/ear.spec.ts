import { describe, expect, it } from 'vitest';
import { pluck, ringing } from '../sound/index.js';
import { hertz } from '../units/index.js';
import { Ear, plucksIn, whichString, type Moment } from './index.js';

const RATE = 48_000;

function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32) / 2 ** 32;
}
const normal = (chance: () => number) => Math.sqrt(-2 * Math.log(chance() + 1e-12)) * Math.cos(2 * Math.PI * chance());
const off = (frequency: number, from: number) => 1200 * Math.log2(frequency / from);

interface Event {
  at: number;
  pitch: number;
  ring?: number;
  strength?: number;
}

/** A take: plucks over a soft hiss, with or without a hum of the mains that is always there. */
function take(seconds: number, events: readonly Event[], { hum = 0, seed = 1, rate = RATE } = {}): Float32Array {
  const chance = seeded(seed);
  const samples = Float32Array.from({ length: Math.round(seconds * rate) }, (_, index) => {
    const turn = (2 * Math.PI * index) / rate;
    return 0.0005 * normal(chance) + hum * (Math.sin(50 * turn) + 0.5 * Math.sin(100 * turn + 1) + 0.4 * Math.sin(150 * turn));
  });
  for (const { at, pitch, ring = 6, strength = 0.3 } of events) {
    const begins = Math.round(at * rate);
    const sound = pluck({ first: hertz(pitch), inharmonicity: 1e-4, at: 0.17, ring, seconds: seconds - at, sampleRate: rate }, chance);
    sound.forEach((sample, index) => (samples[begins + index] = (samples[begins + index] ?? 0) + strength * sample));
  }
  return samples;
}

function hear(samples: Float32Array, rate = RATE, block = 128): Moment[] {
  const ear = new Ear(rate);
  const moments: Moment[] = [];
  for (let from = 0; from < samples.length; from += block) moments.push(...ear.hear(samples.subarray(from, from + block)));
  return moments;
}
const logged = (moments: readonly Moment[]) => moments.flatMap(({ time, plucked }) => (plucked === null ? [] : [{ time, ...plucked }]));

describe('an ear at the bench', { timeout: 30_000 }, () => {
  it.each([
    [41.2, 0.6],
    [82.41, 0.5],
    [196, 0.35],
    [329.63, 0.35],
    [659.26, 0.35],
  ])('shows %d Hz live within %d s of the pluck, and logs it once, to half a cent', (pitch, soon) => {
    const ear = new Ear(RATE);
    ear.expect(hertz(pitch));
    const moments = ear.hear(take(2.2, [{ at: 0.5, pitch }]));
    const first = moments.find(({ live }) => live !== null);
    expect((first?.time ?? 9) - 0.5).toBeLessThan(soon);
    expect(Math.abs(off(first?.live?.frequency ?? 1, pitch))).toBeLessThan(5);
    expect(logged(moments)).toHaveLength(1);
    expect(Math.abs(off(logged(moments)[0]?.frequency ?? 1, pitch))).toBeLessThan(0.5);
    expect((logged(moments)[0]?.time ?? 9) - 0.5).toBeLessThan(1.2);
    expect((logged(moments)[0]?.time ?? 0) - 0.5).toBeGreaterThan(0.8 + 0.17 - 0.043); // half an excerpt after its last middle, but for one hop
  });

  it('logs a string that is barely taut, however far its partials run off', () => {
    for (const [index, inharmonicity] of [3e-4, 8.5e-4, 1.1e-3, 1.5e-3, 1.9e-3].entries()) {
      const [chance, pitch] = [seeded(21 + index), 70 + 41 * index];
      const sound = pluck({ first: hertz(pitch), inharmonicity, at: 0.15, ring: 8, seconds: 1.6, sampleRate: RATE }, chance);
      const samples = Float32Array.from({ length: 2 * RATE }, (_, at) => 0.0005 * normal(chance) + 0.3 * (sound[at - 0.4 * RATE] ?? 0));
      const [one, ...others] = logged(hear(samples));
      expect(others).toEqual([]);
      expect(Math.abs(off(one?.frequency ?? 1, pitch))).toBeLessThan(0.5);
    }
  });

  it('hears a low string that rings for long as often as it is plucked, and never learns it away', () => {
    const events = [0.4, 3.4].map((at, index) => ({ at, pitch: 41.2 * 2 ** (index / 600), ring: 14 }));
    const moments = hear(take(6, events, { seed: 31 }));
    const heard = logged(moments);
    expect(heard).toHaveLength(2);
    for (const [index, { frequency }] of heard.entries()) expect(Math.abs(off(frequency, events[index]?.pitch ?? 1))).toBeLessThan(1.5);
    // for two seconds after each pluck but for its first half second, the mark stands
    const shown = moments.filter(({ time }) => events.some(({ at }) => time > at + 0.7 && time < at + 2.4));
    expect(shown.filter(({ live }) => live !== null).length / shown.length).toBeGreaterThan(0.95);
  });

  it('hears a string that is plucked over itself as it rings, higher by a semitone, by its pitch alone', () => {
    const chance = seeded(37);
    // no softer moment between the two: the second goes on where the first is cut
    const part = (pitch: number) =>
      pluck({ first: hertz(pitch), inharmonicity: 1e-4, at: 0.17, ring: 12, seconds: 1.6, sampleRate: RATE }, chance);
    const ringing = [...part(38.9), ...part(41.2)].map((sample) => 0.3 * sample);
    const samples = Float32Array.from({ length: 4 * RATE }, (_, index) => 0.0005 * normal(chance) + (ringing[index - 0.4 * RATE] ?? 0));
    const ear = new Ear(RATE);
    ear.expect(hertz(38));
    const heard = logged(ear.hear(samples));
    expect(heard.length).toBe(2);
    expect(Math.abs(off(heard[1]?.frequency ?? 1, 41.2))).toBeLessThan(0.5);
  });

  it('goes on hearing a low string that is turned to and fro as it rings and plucked again, over and over: what is lost while it rings is not the room', () => {
    const [chance, rate, every, count, quiet] = [seeded(5), 16_000, 2, 32, 0.6];
    let [phase, cents] = [0, 0];
    const samples = Float32Array.from({ length: Math.round((quiet + count * every) * rate) }, (_, index) => {
      const [time, hiss] = [index / rate - quiet, 0.0005 * normal(chance)];
      if (time < 0) return hiss;
      const since = time % every;
      // no pitch stands while the button goes to and fro in small jerks
      if (since > 0.9 && since < 1.7)
        cents += ((Math.floor(since * 20) % 2 === 0 ? -1 : 3) * (Math.floor(time / every) % 2 === 0 ? 1 : -1) * 3000) / rate;
      phase += (2 * Math.PI * 75 * 2 ** (cents / 1200)) / rate;
      const partials = [1, 0.8, 0.6, 0.5, 0.3, 0.2].reduce((sum, part, nth) => sum + part * Math.sin((nth + 1) * phase + nth), 0);
      return hiss + 0.12 * Math.exp(-since / 4) * partials;
    });
    const moments = hear(samples, rate, 1024);
    const heardIn = (nth: number) =>
      moments.some(({ time, live }) => time > quiet + nth * every && time < quiet + nth * every + 0.9 && live !== null);
    expect(Array.from({ length: count }, (_, nth) => nth).filter((nth) => !heardIn(nth))).toEqual([]);
  });

  it('does not log what rang before it listened: nobody knows when it was plucked', () => {
    const chance = seeded(41);
    const sound = pluck({ first: hertz(98), inharmonicity: 1e-4, at: 0.17, ring: 9, seconds: 3, sampleRate: RATE }, chance);
    const moments = hear(sound.map((sample) => 0.3 * sample + 0.0005 * normal(chance)));
    expect(logged(moments)).toEqual([]);
  });

  it('hears the lowest bass string in its octave where that is expected', () => {
    const ear = new Ear(RATE);
    ear.expect(hertz(30.4));
    const moments = ear.hear(take(3, [{ at: 0.5, pitch: 30.87, ring: 9 }], { seed: 43 }));
    const live = moments.flatMap((moment) => (moment.live === null ? [] : [off(moment.live.frequency, 30.87)]));
    expect(live.length).toBeGreaterThan(20);
    for (const cents of live) expect(Math.abs(cents)).toBeLessThan(5);
  });

  it('hears each pluck of a row as its own, also over the one before', () => {
    const heard = logged(hear(take(7, [{ at: 0.4, pitch: 110 }, { at: 2.2, pitch: 146.83 }, { at: 4, pitch: 110.5 }], { seed: 3 }))); // prettier-ignore
    expect(heard).toHaveLength(3);
    for (const [index, pitch] of [110, 146.83, 110.5].entries())
      expect(Math.abs(off(heard[index]?.frequency ?? 1, pitch))).toBeLessThan(1.5);
  });

  it.each([0, 0.02])('takes no hum of %d for a string, and hears a short high note beside it', (hum) => {
    const moments = hear(take(6, [{ at: 2, pitch: 880, ring: 1.5 }], { hum, seed: 5 }));
    expect(logged(moments)).toHaveLength(1);
    expect(Math.abs(off(logged(moments)[0]?.frequency ?? 1, 880))).toBeLessThan(1);
    // the note has died at three seconds and a half: the hum does not take its place
    for (const { time, live } of moments) if (live !== null && time > 3.5) expect(Math.abs(off(live.frequency, 880))).toBeLessThan(30);
  });

  it.each<[string, (at: number, chance: () => number) => number]>([
    ['silence', () => 0],
    ['noise', (_, chance) => 0.1 * normal(chance)],
    ['taps', (at, chance) => 0.5 * normal(chance) * Math.exp(-60 * (at % 0.7))],
    [
      'a motor that starts',
      (at, chance) =>
        (at < 1 ? 0 : 0.2 * Math.sin(2 * Math.PI * 98 * at) + 0.1 * Math.sin(2 * Math.PI * 196 * at)) + 0.001 * normal(chance),
    ],
  ])('logs nothing of %s', (_, sound) => {
    const chance = seeded(9);
    const moments = hear(Float32Array.from({ length: 4 * RATE }, (__, index) => sound(index / RATE, chance)));
    expect(moments.length).toBeGreaterThan(90);
    expect(logged(moments)).toEqual([]);
  });

  it('says the same however its blocks are cut, and at other rates', () => {
    const samples = take(2, [{ at: 0.3, pitch: 220 }], { seed: 11 });
    expect(hear(samples, RATE, 4096)).toEqual(hear(samples, RATE, 131));
    for (const rate of [44_100, 22_050, 96_000]) {
      const [one] = logged(hear(take(2, [{ at: 0.3, pitch: 220 }], { rate, seed: 13 }), rate));
      expect(Math.abs(off(one?.frequency ?? 1, 220))).toBeLessThan(0.5);
    }
    for (const rate of [7999, 192_001]) expect(() => new Ear(rate)).toThrow('between 8000 and 192000');
  });
});

describe('which string was plucked', () => {
  const SIX = [329.63, 246.94, 196, 146.83, 110, 82.41].map((pitch) => ({
    target: hertz(pitch),
    last: null as ReturnType<typeof hertz> | null,
    breaks: null as ReturnType<typeof hertz> | null,
  }));
  const up = SIX.map((string) => ({ ...string, last: string.target }));

  it('is the one that stands there, whatever is in hand', () => {
    for (const [index, { target }] of up.entries())
      for (const inHand of [0, 3, null]) expect(whichString(hertz(target * 2 ** (8 / 1200)), up, inHand)?.string).toBe(index);
  });

  it('is the one in hand, as it comes up from slack, past the notes of lower ones that were not heard', () => {
    for (const pitch of [60, 82.41, 110, 200, 300, 329]) expect(whichString(hertz(pitch), SIX, 0)?.string).toBe(0);
  });

  it('is no other string that stands elsewhere, and none at all above all of them', () => {
    const coming = up.map((string, index) => (index === 1 ? { ...string, last: hertz(180) } : string));
    expect(whichString(hertz(215), coming, 1)?.string).toBe(1);
    expect(whichString(hertz(110.4), coming, 1)?.string).toBe(4);
    expect(whichString(hertz(1500), up, 0)).toBeNull();
  });

  it('is the one in hand where that is brought far from its note, though another would stand nearer to what is heard', () => {
    // the lowest but one, let down by 450 cents for the claw of a bridge; the lowest was let down already, by 80
    const bridge = up.map((string, index) => (index === 5 ? { ...string, last: hertz(78.7) } : string));
    const mark = hertz(110 * 2 ** (-450 / 1200));
    const toMark = bridge.map((string, index) => (index === 4 ? { ...string, goal: mark } : string));
    expect(whichString(mark, toMark, 4)?.string).toBe(4);
    expect(whichString(mark, toMark, 4)?.probability).toBeGreaterThan(0.98);
    expect(whichString(mark, toMark, 4)?.probability).toBeGreaterThan(whichString(mark, bridge, 4)?.probability ?? 1);
    expect(whichString(hertz(78.7), toMark, 4)?.string).toBe(5);
  });

  it('is none that would have broken there: an octave that was misheard is no string pulled apart', () => {
    const alone = [{ target: hertz(41.2), last: null, breaks: hertz(60) }];
    expect(whichString(hertz(46), alone, 0)?.string).toBe(0);
    expect(whichString(hertz(61), alone, 0)).toBeNull();
    const heard = [{ target: hertz(41.2), last: hertz(41.1), breaks: hertz(60) }];
    expect(whichString(hertz(82.3), heard, 0)).toBeNull();
  });

  it('says how likely the one in hand is beside it', () => {
    const pair = [5, 40].map((cents) => ({ target: hertz(196), last: hertz(196 * 2 ** (-cents / 1200)), breaks: null }));
    const which = whichString(hertz(196 * 2 ** (-5 / 1200)), pair, 1);
    expect(which?.string).toBe(0);
    expect((which?.probability ?? 0) + (which?.inHand ?? 0)).toBeCloseTo(1, 2);
    expect((which?.each ?? []).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 2);
  });

  it('is as sure as the strings lie apart', () => {
    const clear = whichString(hertz(110), up, 5)?.probability ?? 0;
    const close = up.map((string, index) => (index === 4 ? { ...string, last: hertz(83.2) } : string));
    expect(clear).toBeGreaterThan(0.9);
    expect(whichString(hertz(82.8), close, null)?.probability ?? 1).toBeLessThan(0.75);
  });
});

it(
  'goes on hearing a string that is plucked twice a second while its peg is turned, and takes it for no motor',
  { timeout: 30_000 },
  () => {
    const chance = seeded(12);
    const ear = new Ear(RATE);
    ear.expect(hertz(98));
    const heard = (samples: Float32Array) => ear.hear(samples.map((sample) => 0.3 * sample + 0.0005 * normal(chance)));
    heard(new Float32Array(RATE));
    // the hand that plucks damps what sounded
    const moments = Array.from({ length: 24 }, (_, nth) => {
      const string = { first: hertz(62 * 2 ** ((2.5 * nth) / 1200)), inharmonicity: 1e-3, at: 0.18, ring: 9, sampleRate: RATE };
      return heard(ringing(string, chance)(0.45 * RATE));
    }).flat();
    const late = moments.filter(({ time }) => time > 7);
    expect(late.filter(({ sounds }) => sounds).length / late.length).toBeGreaterThan(0.85);
    expect(late.filter(({ live }) => live !== null).length / late.length).toBeGreaterThan(0.85);
  },
);

describe('a whole take', { timeout: 30_000 }, () => {
  it.each([8000, 44_100])('at %d samples a second is told pluck by pluck, the last one to the end of the sound', (rate) => {
    const events = [{ at: 0.5, pitch: 110, ring: 1.5 }, { at: 2.5, pitch: 164.81, ring: 1.5 }, { at: 4.5, pitch: 246.94, ring: 1.5 }]; // prettier-ignore
    const told = [...plucksIn(take(5.4, events, { rate, seed: 8 }), rate)];
    expect(told.map(({ share }) => share)).toEqual([1 / 5.4, 2 / 5.4, 3 / 5.4, 4 / 5.4, 5 / 5.4, 1, 1].map((each) => expect.closeTo(each, 4) as number)); // prettier-ignore
    expect(told.slice(0, 2).map((each) => each.plucks.length)).toEqual([0, 1]); // the first, plucked after half a second
    const plucks = told.at(-1)?.plucks ?? [];
    expect(plucks).toHaveLength(3);
    for (const [index, { at, frequency }] of plucks.entries()) {
      expect(Math.abs(at - (events[index]?.at ?? 9))).toBeLessThan(0.1);
      expect(Math.abs(off(frequency, events[index]?.pitch ?? 1))).toBeLessThan(0.5);
    }
  });
});
