import { describe, expect, it } from 'vitest';
import { hertz, type Hertz } from '../units/index.js';
import type { Heard } from './detect.js';
import { Ear } from './ear.js';
import { excerptFor, excerptsOf, levelOf, longExcerpt } from './excerpts.js';
import { isAnother, likelier } from './same-note.js';
import { Sounding } from './sounding.js';
import { steadyPitch, type Frame } from './steady.js';

const HOP = 1 / 32;
const note = (cents: number, from = 110): Hertz => hertz(from * 2 ** (cents / 1200));

const four = (decibels: number): number[] => [decibels, decibels, decibels, decibels];

/** Something that hears a row of levels, a hop apart from `from` seconds on; and whether the last of them began something. */
function levels(row: readonly number[], sounding = new Sounding(HOP), from = 0): { sounding: Sounding; began: boolean } {
  return { sounding, began: row.map((decibels, nth) => sounding.rises(from + nth * HOP, decibels)).at(-1) ?? false };
}

/** Plucked at one second less a hop, over a room of −50 dB, to −30. */
const plucked = (): Sounding => levels([-50, -50, -50, ...four(-30)], undefined, 1 - 3 * HOP).sounding;

/** Whether the last of some moments is taken for the room; a hop apart, from `from` seconds on. */
const rests = (sounding: Sounding, from: number, row: readonly number[], heard: boolean): boolean =>
  row.map((decibels, nth) => sounding.rests(from + nth * HOP, decibels, heard)).at(-1) ?? false;

/** Over, at so many dB: died away if it is true, lost if not. */
const diesAt = (sounding: Sounding, decibels: number, from = 3): boolean => {
  const room = rests(sounding, from, four(decibels), false);
  expect(sounding.since).toBeNull();
  return room;
};

describe('a pluck', () => {
  it('is nine dB louder than the softest of the three moments before it, and louder than silence', () => {
    expect(levels([-58, -50, -52, -51, -43.1]).began).toBe(false);
    expect(levels([-58, -50, -52, -51, -42.9])).toMatchObject({ began: true, sounding: { since: 3 * HOP, dated: true, pitch: null } });
    expect(levels([-90, -62.1]).began).toBe(false);
    expect(levels([-90, -61.9]).began).toBe(true);
    expect(levels([-20]).began).toBe(false); // nothing was before it
    expect(levels(four(-20)).sounding.since).toBeNull();
  });

  it('is none within 0.15 s of the one before', () => {
    const sounding = plucked();
    expect(sounding.rises(1.11, -15)).toBe(false);
    expect(sounding.since).toBe(1 - HOP);
    expect(sounding.rises(1.14, -5)).toBe(true);
    expect(sounding.since).toBe(1.14 - HOP);
  });

  it('is over another string where four moments in a row are of another pitch than it was', () => {
    const sounding = plucked();
    const hears = (cents: number[]) => cents.map((each) => sounding.hears(2, note(each)));
    expect(hears([0, 100, 100, 100, 0, 100, 100, 100])).not.toContain(true);
    expect(sounding.pitch).toBe(note(0));
    expect(hears([100])).toEqual([true]);
    expect(sounding).toMatchObject({ since: 2 - HOP, dated: true, pitch: null });
  });

  it('is followed as it is turned, and in its octaves', () => {
    const sounding = plucked();
    for (let cents = 0; cents < 600; cents += 55) expect(sounding.hears(2, note(cents))).toBe(false);
    expect(sounding.pitch).toBe(note(550));
    for (let times = 0; times < 4; times++) for (const cents of [1750, 550, -650]) expect(sounding.hears(2, note(cents))).toBe(false);
  });
});

describe('what sounds is over', () => {
  it('half a second after its pluck or later, when nothing stood out for four moments', () => {
    const sounding = plucked();
    expect(rests(sounding, 1.46875 - 5 * HOP, [-50, -50, -50, -50, -50], false)).toBe(false);
    expect(sounding.since).not.toBeNull();
    expect(rests(sounding, 1.46875, [-50, -50, -50], false)).toBe(false);
    expect(rests(sounding, 1.6, [-50], true)).toBe(false);
    expect(rests(sounding, 1.7, [-50, -50, -50], false)).toBe(false);
    expect(sounding.since).not.toBeNull();
    expect(rests(sounding, 1.8, [-50], false)).toBe(true);
    expect(sounding.since).toBeNull();
    expect(rests(sounding, 1.9, [-50], false)).toBe(true); // the room is learned on and on
    const from = plucked();
    rests(from, 1.46875, four(-50), false);
    expect(from.since).toBeNull();
  });

  it('and begins anew with a pluck, however much of it was quiet', () => {
    const sounding = plucked();
    rests(sounding, 2, [-40, -40, -40], false);
    levels([-40, -25], sounding, 2.2);
    expect(rests(sounding, 3, [-40], false)).toBe(false);
    expect(sounding.since).not.toBeNull();
  });

  it('died away where it is within three dB of the room before it, or under −62; else it was lost', () => {
    expect([-47.1, -47, -46].map((decibels) => diesAt(plucked(), decibels))).toEqual([true, false, false]);
    const still = levels([-90, -90, -40]).sounding;
    expect(diesAt(still, -62.1)).toBe(true);
    expect(diesAt(levels([-90, -90, -40]).sounding, -62)).toBe(false);
  });

  it('sounds on where it was lost, and may be another that was plucked', () => {
    const lost = plucked();
    diesAt(lost, -30);
    expect(levels([-30], lost, 4)).toMatchObject({ began: true, sounding: { since: 4 - HOP, dated: true } });
  });

  it('gives way to what begins unheard, nine dB over the room: nobody knows when', () => {
    const after = () => {
      const died = plucked();
      diesAt(died, -50);
      return died;
    };
    expect(levels([-50, -50, -50, ...four(-41)], after(), 4).sounding.since).toBeNull();
    expect(levels([-47, -44, -42, ...four(-40.9)], after(), 4)).toMatchObject({ began: true, sounding: { dated: false } });
    const still = levels([-90, -90, -40]).sounding;
    diesAt(still, -90);
    expect(levels([-75, -69, -65, ...four(-62)], still, 4).sounding.since).toBeNull();
    expect(levels(four(-61.9), still, 5).began).toBe(true);
  });

  it('over a room that is taken for louder by three dB at a pluck, and not at all over what rings or was lost', () => {
    const louder = (then: (sounding: Sounding) => void) => {
      const sounding = plucked();
      then(sounding);
      levels([-42, -42, -42, -30], sounding, 4);
      return sounding;
    };
    const died = (sounding: Sounding) => void diesAt(sounding, -50);
    expect([-44.1, -43.9].map((decibels) => diesAt(louder(died), decibels, 6))).toEqual([true, false]);
    expect(diesAt(louder(() => undefined), -46, 6)).toBe(false); // prettier-ignore
    expect(diesAt(louder((sounding) => void diesAt(sounding, -45)), -46, 6)).toBe(false); // prettier-ignore
  });
});

describe('a motor', () => {
  /** Twelve seconds from a pluck at one second on, a pitch in each; whether it is taken for the room, and when. */
  function runs(sounding: Sounding, level: (time: number) => number, from = 1.5): number | null {
    for (let time = from; time < 12; time += 1 / 4) {
      sounding.rises(time, level(time));
      if (sounding.rests(time, level(time), true)) return time;
    }
    return null;
  }

  it('is what fades by less than half a dB a second for five seconds', () => {
    expect(runs(plucked(), () => -30)).toBe(7.5); // the fourth moment after 6.5
    expect(runs(plucked(), (time) => -30 - 0.49 * (time - 1.5))).toBe(7.5);
    expect(runs(plucked(), (time) => -30 - 0.5 * (time - 1.5))).toBeNull();
  });

  it('is none where it was plucked again, by two dB or as another pitch', () => {
    const again = (by: number) => runs(plucked(), (time) => (time < 4 ? -30 : -30 + by));
    expect([again(2), again(2.1)]).toEqual([7.5, 10.5]); // it rose until 4.5
    const another = plucked();
    runs(another, () => -30, 11.75);
    for (const cents of [0, 100, 100, 100, 100]) another.hears(16, note(cents));
    expect(rests(another, 16.6, four(-30), true)).toBe(false);
    expect(another.since).not.toBeNull();
  });

  it('is the room from then on', () => {
    const sounding = plucked();
    runs(sounding, () => -30);
    expect(sounding.since).toBeNull();
    expect(levels(four(-30), sounding, 13).sounding.since).toBeNull();
    expect(levels([-24, -22, -21.5, ...four(-20.9)], sounding, 14)).toMatchObject({ began: true, sounding: { dated: false } });
  });
});

describe('an octave or a twelfth of what is expected', () => {
  const heard = (frequency: Hertz, confidence: number): Heard => ({ frequency, confidence, inharmonicity: 0 });
  const told = (cents: number, confidence: number, expected: Hertz | null = note(0)) =>
    likelier(heard(note(cents), 1), expected, (about) => heard(about, confidence))?.frequency;

  it.each([1200, -1200, 1901.955, 1259, -1141, 1961])('%d cents off is what is expected, if that stands out by four fifths', (cents) => {
    expect(told(cents, 0.81)).toBe(note(0));
    expect(told(cents, 0.8)).toBe(note(cents));
    expect(told(cents, 1, null)).toBe(note(cents));
    expect(likelier(heard(note(cents), 1), note(0), () => null)?.frequency).toBe(note(cents));
  });
  it.each([0, 300, 1261, -1261, 1963, -1902])('%d cents off is what is heard', (cents) => expect(told(cents, 1)).toBe(note(cents)));

  it('is looked for where nothing is heard', () => {
    expect(likelier(null, note(0), (about) => heard(about, 0.1))?.frequency).toBe(note(0));
    expect(likelier(null, note(0), () => heard(note(0), 0))).toBeNull();
    expect(likelier(null, null, () => heard(note(0), 1))).toBeNull();
  });

  it('is no other string, and nothing within sixty cents', () => {
    for (const cents of [0, 59, -59, 1259, 1141, -1200]) expect(isAnother(note(cents), note(0))).toBe(false);
    for (const cents of [61, -61, 1261, 1139, -1261, 1902]) expect(isAnother(note(cents), note(0))).toBe(true);
  });
});

describe('the pitch that frames hold', () => {
  const frames = (cents: number[], fades = 0.2): Frame[] =>
    cents.map((each, nth) => ({ frequency: note(each), inharmonicity: 0, confidence: (nth + 1) / 10, decibels: -30 - fades * nth }));

  it('is the median of all, with the spread of those within three cents of it', () => {
    const steady = steadyPitch(frames([-2.9, 0, 20, 1, -1]));
    expect(steady?.frequency).toBe(note(0));
    expect(steady?.spreadCents).toBeCloseTo(3.9, 9);
    expect(steady?.confidence).toBeCloseTo((0.1 + 0.2 + 0.4 + 0.5) / 5, 9);
    expect(steadyPitch(frames([9, -1, 10, 0, 1, 2, 5, 1.5]))?.frequency).toBe(note(2)); // as numbers, the upper of the two in the middle
  });

  it('is none where fewer than four agree, or they fade by no eighth of a dB from first to last', () => {
    expect(steadyPitch([])).toBeNull();
    expect(steadyPitch(frames([0, 1, 2]))).toBeNull();
    expect(steadyPitch(frames([0, 1, 3.5, -3.5, 0.5]))).toBeNull();
    expect([0.0416, 0.0418].map((fades) => steadyPitch(frames([0, 1, 0, 1], fades)) !== null)).toEqual([false, true]);
    expect(steadyPitch(frames([0, 1, 0, 1], -1))).toBeNull();
  });
});

describe('an excerpt', () => {
  it('is the power of two nearest to 0.34 s, half of it from 50 Hz on, a quarter from 100', () => {
    expect([8000, 16_000, 44_100, 48_000, 96_000, 192_000].map(longExcerpt)).toEqual([2048, 4096, 16_384, 16_384, 32_768, 65_536]);
    expect(excerptsOf(64)).toEqual([64, 32, 16]);
    expect([null, 49.9, 50, 99.9, 100].map((pitch) => excerptFor(pitch === null ? null : hertz(pitch), 64))).toEqual([64, 64, 32, 32, 16]);
  });

  it('is as loud as its mean square, and told down to −120 dB', () => {
    expect(levelOf(Float32Array.of(1, -1))).toBe(0);
    expect(levelOf(Float32Array.of(0.5, 0, -0.5, 0))).toBeCloseTo(-9.0309, 4); // an eighth
    expect(levelOf(new Float32Array(4))).toBe(-120);
  });

  it.each([8000, 192_000])('is heard at %d samples a second in eighths, each as soon as it is whole', (rate) => {
    const [ear, eighth] = [new Ear(rate), longExcerpt(rate) / 8];
    expect(ear.hear(new Float32Array(eighth - 1))).toEqual([]);
    const nothing = { decibels: -120, sounds: false, live: null, plucked: null };
    expect(ear.hear(new Float32Array(1 + eighth))).toEqual([1, 2].map((nth) => ({ time: (nth * eighth) / rate, ...nothing })));
  });
});
