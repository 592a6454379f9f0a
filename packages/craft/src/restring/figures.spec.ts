import { describe, expect, it } from 'vitest';
import { bare, does, kindsOf, laidOut, restrung, right, started, thread, up, woundAt } from '../testing/index.js';
import { after, begun, isFinished, isLoose, pullNow, worthOf, type Act, type OnBench, type Restring } from './index.js';

/** Seconds that one more act takes. */
const takes = (restring: Restring, now: OnBench, act: Act) => {
  const then = after(restring, now, act);
  if (then === now) throw new Error(`${act.do} changed nothing`);
  return Number((then.seconds - now.seconds).toFixed(9));
};

describe('the clock of a bench', () => {
  it('takes for each thing what that takes, and for turns as many', () => {
    const restring = laidOut('acoustic-parlour');
    const now = begun(restring);
    expect(takes(restring, now, { do: 'turn', string: 0, turns: -0.5 })).toBeCloseTo(0.3, 9);
    expect(takes(restring, now, { do: 'cover', on: true })).toBe(3);
    expect(takes(restring, now, { do: 'guide', on: true })).toBe(0);
    expect(takes(restring, now, { do: 'pluck', string: 0 })).toBe(3);
    const loose = does(restring, now, { do: 'slacken', string: 0 });
    // let down half a turn at a time, as often as it needs
    let [halves, down] = [0, now];
    for (; !isLoose(restring, down, 0); halves++) down = after(restring, down, { do: 'turn', string: 0, turns: -0.5 });
    expect(loose.seconds).toBeCloseTo(0.3 * halves, 6);
    expect(isLoose(restring, loose, 0)).toBe(true);
    expect(takes(restring, loose, { do: 'cut', string: 0 })).toBe(6);
    expect(takes(restring, loose, { do: 'take-off', string: 0 })).toBe(25);
    const off = does(restring, loose, { do: 'take-off', string: 0 });
    expect(takes(restring, off, { do: 'anchor', string: 0, way: right(restring) })).toBe(40);
    const on = does(restring, off, { do: 'guide', on: true }, { do: 'anchor', string: 0, way: right(restring) });
    expect(takes(restring, on, thread(restring, 0))).toBe(20);
    const taut = up(restring, does(restring, on, thread(restring, 0)), 0);
    for (const [act, seconds] of [['press', 5], ['stretch', 12], ['judge', 2], ['trim', 10]] as const)
      expect(takes(restring, taut, { do: act, string: 0 })).toBe(seconds); // prettier-ignore
    const waited = after(restring, now, { do: 'wait' });
    expect([waited.seconds, waited.waited]).toEqual([0, 1200]);
    expect(after(restring, now, { do: 'pluck', string: 0 }).waited).toBe(0);
  });

  it('takes for nut, block and fine tuner of a locking bridge, and for the screw of a peg by eighths, in and out', () => {
    const locking = laidOut('electric-double-locking');
    const now = begun(locking);
    expect(takes(locking, now, { do: 'nut', on: false })).toBe(30);
    expect(takes(locking, now, { do: 'block', on: true })).toBe(30);
    expect(takes(locking, now, { do: 'fine', string: 0, turns: -1.5 })).toBe(3);
    const pegs = laidOut('ukulele-soprano');
    for (const eighths of [1, -1]) expect(takes(pegs, begun(pegs), { do: 'snug', string: 0, eighths })).toBe(8);
  });

  it('counts things that were done, and what cannot be done as none', () => {
    const restring = laidOut('acoustic-parlour');
    const now = does(restring, begun(restring), { do: 'cover', on: true }, { do: 'press', string: 0 }, { do: 'pluck', string: 1 });
    expect(now.acts).toBe(2);
  });
});

describe('what comes to the bench', () => {
  it('is worn, settled and at pitch, its nut shut where it locks, nothing covered and nothing guided', () => {
    const now = begun(laidOut('electric-double-locking'));
    expect(now).toMatchObject({ nutShut: true, blocked: false, eyesCovered: false, guided: false, lost: [], mistakes: [], acts: 0 });
    for (const string of now.strings) {
      if (string.at !== 'old') throw new Error('not old');
      expect([string.of.worn, string.of.creep, string.state.toSettle]).toEqual([true, 0, 0]);
    }
    expect(begun(laidOut('acoustic-parlour')).nutShut).toBe(false);
  });
});

describe('what it would be worth', () => {
  it('is reckoned from what is on: turns off the plan, rounds, strings lost, seconds beside those of a usual hand', () => {
    const restring = laidOut('acoustic-parlour');
    const done = restrung(restring);
    const worth = worthOf(restring, done);
    expect(worth.turnsOff.map((turns) => Math.abs(turns ?? 9) < 0.01)).toEqual(Array(6).fill(true));
    expect(worth.rounds).toEqual(done.strings.map((string) => (string.at === 'wound' ? string.rounds : -1)));
    expect([worth.lost, worth.seconds]).toEqual([0, done.seconds]);
    // both ends 25 + 40, thread 20, press 5, judge 2, trim 10; four plucks of 3, three rounds of 12 and a turn of 0.6; buttons down and up half as far again
    const buttons = restring.strings.reduce((sum, { plan }) => sum + plan.buttonTurns, 0);
    expect(worth.usual).toBeCloseTo(3 + 6 * (102 + 12 + 3 * 12.6) + 1.5 * buttons * 0.6, 6);
    const locking = laidOut('electric-double-locking');
    const screws = locking.strings.reduce((sum, { plan }) => sum + plan.buttonTurns, 0);
    expect(worthOf(locking, begun(locking)).usual).toBeCloseTo(3 + 60 + 6 * (102 + 12 + 3 * 12.6) + 1.5 * screws * 0.6, 6); // prettier-ignore
  });

  it('has as its least break over the nut that which lies nearest to what is wanted there, or farthest under it', () => {
    const restring = laidOut('acoustic-parlour');
    const { least } = worthOf(restring, restrung(restring));
    const nuts = restring.strings.flatMap(({ plan }) => (plan.nut === null ? [] : [plan.nut.vertical - plan.nut.wanted]));
    expect((least?.angle ?? 0) - (least?.wanted ?? 0)).toBeCloseTo(Math.min(...nuts), 6);
    expect(least?.string).toBe(nuts.indexOf(Math.min(...nuts)));
    expect(worthOf(restring, begun(restring)).least).toBeNull();
    // posts 4 + 2: string 2 breaks least, once it is straight
    const split = laidOut('electric-four-two');
    const on = [0, 1, 2].reduce((now, string) => does(split, now, ...bare(string, right(split)), thread(split, string)), started(split));
    const two = [0, 2].reduce((now, string) => up(split, now, string), on);
    expect([on, two, up(split, two, 1)].map((now) => worthOf(split, now).least?.string)).toEqual([undefined, 2, 1]);
  });

  it('says nothing of strings that are off or slack: no turns, no rounds, no week', () => {
    const restring = laidOut('acoustic-parlour');
    const off = does(restring, started(restring), ...bare(2, right(restring)), { do: 'slacken', string: 4 });
    const { turnsOff, rounds, inAWeek, lost } = worthOf(restring, off);
    expect(turnsOff).toEqual(Array(6).fill(null));
    expect(rounds).toEqual(Array(6).fill(0));
    expect([inAWeek[2], lost]).toEqual([null, 0]);
    expect(inAWeek[0]).not.toBeNull();
    const slack = does(restring, off, thread(restring, 2));
    expect(worthOf(restring, slack).inAWeek[2]).toBeNull();
    expect(Math.abs(worthOf(restring, slack).turnsOff[2] ?? 9)).toBeLessThan(0.01);
  });
});

describe('when it is finished', () => {
  const locking = laidOut('electric-double-locking');
  const parlour = laidOut('acoustic-parlour');
  const done = restrung(locking);
  it('is once every string is on, said to hold and trimmed, the nut shut and the block out', () => {
    expect(isFinished(locking, done)).toBe(true);
    expect(isFinished(locking, { ...done, nutShut: false })).toBe(false);
    expect(isFinished(locking, { ...done, blocked: true })).toBe(false);
    for (const but of [{ judged: false }, { trimmed: false }])
      expect(isFinished(locking, { ...done, strings: done.strings.with(3, { ...woundAt(done, 3), ...but }) })).toBe(false);
    expect(isFinished(locking, { ...done, strings: done.strings.with(3, { at: 'off' }) })).toBe(false);
    const fixed = restrung(parlour);
    expect(isFinished(parlour, { ...fixed, nutShut: false })).toBe(true);
  });
});

describe('strings that come off', () => {
  it('are told once where one more is off than the bridge bears: three of a locking one, two of a loose one', () => {
    const told = (kind: string, ...strings: number[]) => {
      const restring = laidOut(kind);
      let now = does(restring, started(restring), { do: 'nut', on: false });
      for (const string of strings) now = does(restring, now, { do: 'slacken', string }, { do: 'take-off', string });
      return now.mistakes.filter(({ kind: what }) => what === 'too-many-off');
    };
    expect(told('electric-double-locking', 5, 4)).toEqual([]);
    expect(told('electric-double-locking', 5, 4, 3, 2)).toEqual([{ string: null, kind: 'too-many-off', figure: 3 }]);
    expect(told('mandolin', 7)).toEqual([]);
    expect(told('mandolin', 7, 6)).toEqual([{ string: null, kind: 'too-many-off', figure: 2 }]);
    expect(told('acoustic-parlour', 5, 4, 3, 2, 1, 0)).toEqual([]);
  });

  it('are not let down behind a nut that is shut, and nothing is told twice', () => {
    const restring = laidOut('electric-double-locking');
    const now = does(restring, started(restring), { do: 'slacken', string: 5 }, { do: 'turn', string: 4, turns: -1 });
    expect(now.mistakes).toEqual([{ string: null, kind: 'nut-shut', figure: -0.5 }]);
    expect(pullNow(restring, now, 5)).toBeGreaterThan(0.9 * (restring.strings[5]?.plan.load.pull ?? 0));
  });

  it('fly where they are cut at pitch, and bare eyes are told only where nothing covers them', () => {
    const restring = laidOut('acoustic-parlour');
    const cut = (now: OnBench) => kindsOf(after(restring, now, { do: 'cut', string: 5 }));
    expect(cut(begun(restring))).toEqual(['cut-under-tension', 'eyes-bare']);
    expect(cut(does(restring, begun(restring), { do: 'cover', on: true }))).toEqual(['cut-under-tension']);
    // an old one is no loss, a new one is; both come off then
    const on = up(restring, does(restring, started(restring), ...bare(4, right(restring)), thread(restring, 4)), 4);
    const both = does(restring, on, { do: 'cut', string: 5 }, { do: 'cut', string: 4 });
    expect([both.strings[5], both.strings[4], both.lost]).toEqual([{ at: 'cut' }, { at: 'cut' }, [4]]);
    const off = does(restring, both, { do: 'take-off', string: 5 }, { do: 'take-off', string: 4 });
    expect([off.strings[5], off.strings[4]]).toEqual([{ at: 'off' }, { at: 'off' }]);
  });
});

it('turns that lie on the post lie there as far as the button brought them, and come off again with it', () => {
  const restring = laidOut('acoustic-parlour');
  const on = does(restring, started(restring), ...bare(1, right(restring)), thread(restring, 1));
  const gear = restring.instrument.gearRatio;
  const wound = does(restring, on, { do: 'turn', string: 1, turns: 2.2 * gear });
  expect(woundAt(wound, 1).laid).toEqual([true, true]);
  expect(woundAt(does(restring, wound, { do: 'turn', string: 1, turns: -1.5 * gear }), 1).laid).toEqual([]);
});
