import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/index.js';
import { RESTRINGING } from '../constants/index.js';
import { bare, does, kindsOf, laidOut, right, started, thread, up, woundAt } from '../testing/index.js';
import { pitchNow } from '../simulated/index.js';
import { metres, type Metres } from '../units/index.js';
import { after, anchorWays, begun, centsOff, layOut, nextCosts, pullNow, turnsFor, worthOf } from './index.js';
import type { Act, OnBench, Wound } from './index.js';
import { pulledByHand } from './at-string.js';

const NO_POSTS = ['electric-headless', 'bass-headless'];
const ROUND_POSTS = ARCHETYPES.map(({ id }) => id).filter((id) => !NO_POSTS.includes(id));

describe('a restring on a simulated instrument', () => {
  it('lays out every kind but those that have no posts', () => {
    expect(ARCHETYPES.map(({ id }) => id).filter((id) => layOut(id, 1) === null)).toEqual(NO_POSTS);
    expect(layOut('no such kind', 1)).toBeNull();
  });

  it('comes in cold one time in three, by 5 to 14 K', () => {
    const cold = Array.from({ length: 30 }, (_, seed) => laidOut('mandolin', seed).cold);
    for (const [seed, kelvin] of cold.entries()) expect(kelvin >= 5 && kelvin <= 14).toBe(seed % 3 === 0);
    expect(cold.filter((kelvin) => kelvin === 0)).toHaveLength(20);
  });

  it.each(ROUND_POSTS)(
    '%s: comes with its old strings at their notes, and what is left slack as planned makes the turns that are planned',
    (kind) => {
      const restring = laidOut(kind);
      const now = begun(restring);
      restring.strings.forEach((to, index) => {
        expect(centsOff(restring, now, index)).toBeCloseTo(0, 3);
        expect(turnsFor(to, to.plan.slack)).toBeCloseTo(to.plan.wind.turns, 6);
      });
    },
  );

  it('runs the same with the same seed and hands, and otherwise with another', () => {
    const kind = 'acoustic-parlour';
    const run = (seed: number) => {
      const restring = laidOut(kind, seed);
      const on = does(restring, started(restring), ...bare(2, right(restring)), thread(restring, 2), { do: 'guide', on: false });
      return does(restring, up(restring, on, 2), { do: 'stretch', string: 2 });
    };
    expect(JSON.stringify(run(3))).toBe(JSON.stringify(run(3)));
    expect(JSON.stringify(run(3))).not.toBe(JSON.stringify(run(4)));
  });

  it('lets the neck come back while strings are off: 0.05 ¢ for each newton that is missing', () => {
    const restring = laidOut('acoustic-parlour');
    const now = does(restring, started(restring), { do: 'slacken', string: 5 }, { do: 'cut', string: 5 });
    const missing = restring.strings[5]?.plan.load.pull ?? 0;
    expect(centsOff(restring, now, 0)).toBeCloseTo(RESTRINGING.neck.value * missing, 1);
    expect(kindsOf(now)).toEqual([]);
  });

  it('makes more turns of more slack, on every kind', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ROUND_POSTS),
        fc.double({ min: 0.02, max: 0.2, noNaN: true }),
        fc.double({ min: 1e-3, max: 0.05, noNaN: true }),
        (kind, slack, more) => {
          const [to] = laidOut(kind).strings;
          if (to === undefined) throw new Error('no string');
          const [few, many] = [turnsFor(to, metres(slack)), turnsFor(to, metres(slack + more))];
          expect(many ?? 0).toBeGreaterThan(few ?? -1);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('lets one down that was wound, to fix it anew: it is not lost, unless its tail is cut already', () => {
    const restring = laidOut('classical');
    const on = up(restring, does(restring, started(restring), ...bare(3, 'last-behind-edge'), thread(restring, 3)), 3);
    const off: Act[] = [{ do: 'slacken', string: 3 }, { do: 'take-off', string: 3 }]; // prettier-ignore
    expect(after(restring, on, off[1] as Act)).toBe(on); // not while it pulls
    const again = does(restring, on, ...off);
    expect([again.strings[3], again.lost]).toEqual([{ at: 'off', bent: true }, []]);
    const cut = does(restring, on, { do: 'judge', string: 3 }, { do: 'trim', string: 3 }, ...off);
    expect([cut.lost, cut.strings[3]]).toEqual([[3], { at: 'off' }]);
  });

  it('does nothing of what cannot be done as it stands', () => {
    const restring = laidOut('acoustic-parlour');
    const now = begun(restring);
    const impossible: Act[] = [
      { do: 'take-off', string: 0 },
      { do: 'anchor', string: 0, way: right(restring) },
      thread(restring, 0),
      { do: 'stretch', string: 0 },
      { do: 'press', string: 0 },
      { do: 'judge', string: 0 },
      { do: 'trim', string: 0 },
      { do: 'fine', string: 0, turns: 1 },
      { do: 'nut', on: true },
      { do: 'block', on: true },
      { do: 'turn', string: 0, turns: 0 },
    ];
    for (const act of impossible) expect(after(restring, now, act)).toBe(now);
    const slack = does(restring, now, ...bare(0, right(restring)), thread(restring, 0));
    for (const act of ['stretch', 'press', 'judge', 'slacken'] as const) expect(after(restring, slack, { do: act, string: 0 })).toBe(slack);
    const locking = laidOut('electric-double-locking');
    const shut = begun(locking);
    expect(after(locking, shut, { do: 'nut', on: true })).toBe(shut);
    const down = does(locking, shut, { do: 'nut', on: false }, ...bare(0, right(locking)), thread(locking, 0));
    expect(after(locking, down, { do: 'fine', string: 0, turns: 1 })).toBe(down); // nothing to draw
    expect(() => centsOff(restring, now, 9)).toThrow('there is no string 9');
    expect(does(restring, now, ...bare(0, 'no such way')).strings[0]).toEqual({ at: 'off' });
  });
});

describe('what goes wrong', () => {
  it('cut under tension: told with its pull, and that nothing covered the eyes', () => {
    const restring = laidOut('acoustic-parlour');
    const now = after(restring, begun(restring), { do: 'cut', string: 2 });
    expect(kindsOf(now)).toEqual(['cut-under-tension', 'eyes-bare']);
    expect(now.mistakes[0]?.figure).toBeCloseTo(restring.strings[2]?.plan.load.pull ?? 0, 3);
    expect(does(restring, started(restring), { do: 'slacken', string: 2 }, { do: 'cut', string: 2 }).mistakes).toEqual([]);
  });

  it.each([
    ['mandolin', false, 2],
    ['electric-double-locking', false, 3],
    ['electric-double-locking', true, null],
    ['acoustic-parlour', false, null],
  ] as const)('%s, blocked %s: so many off at once are too many: %s', (kind, blocked, tooMany) => {
    const restring = laidOut(kind);
    let now = does(restring, started(restring), { do: 'nut', on: false }, { do: 'block', on: blocked });
    const [cut, ready] = [0, 1].map((string) => does(restring, now, { do: 'slacken', string }, { do: 'cut', string }).strings[string]);
    expect([cut, ready]).toEqual([{ at: 'cut' }, { at: 'cut' }]);
    // one is cut and stays, one waits for its post, the others are off
    now = does(restring, now, { do: 'slacken', string: 0 }, { do: 'cut', string: 0 }, ...bare(1, right(restring)));
    for (const string of [...restring.strings.keys()].slice(2))
      now = does(restring, now, { do: 'slacken', string }, { do: 'take-off', string });
    expect(now.mistakes).toEqual(tooMany === null ? [] : [{ string: null, kind: 'too-many-off', figure: tooMany }]);
  });

  it('a turn that no hand guides may cross, costs 14 ¢ more at the next stretch, and is laid anew once it is turned back', () => {
    const found = Array.from({ length: 20 }, (_, seed) => laidOut('acoustic-parlour', seed)).map((restring) => {
      const on = does(restring, started(restring), ...bare(0, right(restring)), thread(restring, 0));
      const run = does(restring, on, { do: 'guide', on: false }, { do: 'turn', string: 0, turns: 200 / 5 });
      return { restring, on, run };
    });
    const crossed = found.filter(({ run }) => woundAt(run, 0).laid.includes(false));
    for (const { run } of found) {
      const { laid, slides } = woundAt(run, 0);
      const crossings = laid.filter((beside) => !beside).length;
      expect([laid[0], slides]).toEqual([true, crossings * RESTRINGING.crossingRounds.value]); // the first lies on nothing
      expect(run.mistakes.filter(({ kind }) => kind === 'crossing').length).toBe(crossings === 0 ? 0 : 1);
    }
    // two turns after the first, half of which cross: a quarter of twenty stay clear; five deviations either side
    expect(crossed.length).toBeGreaterThan(5);
    expect(crossed.length).toBeLessThan(20);
    const [one] = crossed;
    if (one === undefined) throw new Error('none crossed');
    expect(kindsOf(one.run)).toContain('crossing');
    const neat = up(one.restring, does(one.restring, one.run, { do: 'turn', string: 0, turns: -200 }, { do: 'guide', on: true }), 0);
    expect([woundAt(neat, 0).laid.includes(false), woundAt(neat, 0).slides]).toEqual([false, 0]);
    const bad = { ...woundAt(neat, 0), slides: 1 };
    expect(nextCosts(bad, metres(0)) - nextCosts(woundAt(neat, 0), metres(0))).toBeCloseTo(RESTRINGING.crossingDrop.value, 0);
    // half as hard a pull slides half as far; what its end takes up besides comes on top
    const cents = (wound: Wound, strength: number) => {
      const then = pulledByHand(wound, metres(0), strength);
      return { slides: then.slides, drop: 1200 * Math.log2(pitchNow(wound.of, wound.state) / pitchNow(then.of, then.state)) };
    };
    const [clear, half, loose] = [{ slides: 0 }, { slides: 3 }, { slides: 3, seat: metres(1e-4) }].map((change) =>
      cents({ ...bad, seat: metres(0), ...change }, 0.5),
    );
    expect([clear?.slides, half?.slides]).toEqual([0, 2]);
    expect((half?.drop ?? 0) - (clear?.drop ?? 0)).toBeCloseTo(RESTRINGING.crossingDrop.value / 2, 0);
    expect(loose?.drop).toBeGreaterThan((half?.drop ?? 0) + 1);
    expect(nextCosts({ ...bad, seat: metres(0.1) }, metres(0))).toBe(Infinity); // it would not sound any more
  });

  it('slack for fewer turns is told by its break over the nut, lower by as much for each that is missing; for more than the post holds, by its turns', () => {
    const straight = (kind: string, index: number, share: number) => {
      const restring = laidOut(kind);
      const to = restring.strings[index];
      if (to === undefined) throw new Error('no string');
      const slack = metres(share * to.plan.slack);
      let now = does(restring, started(restring), ...bare(index, right(restring)), thread(restring, index, slack));
      while (!woundAt(now, index).taut) now = after(restring, now, { do: 'turn', string: index, turns: 0.5 });
      return { turns: turnsFor(to, slack) ?? 0, planned: to.plan, mistakes: now.mistakes };
    };
    const [few, more, planned] = [0.3, 0.6, 1].map((share) => straight('ukulele-soprano', 0, share));
    expect([few, more].map((each) => each?.mistakes.map(({ kind, string }) => [kind, string]))).toEqual([[['low-angle', 0]], [['low-angle', 0]]]); // prettier-ignore
    expect(planned?.mistakes).toEqual([]);
    const missing = (one: typeof few) => (planned?.turns ?? 0) - (one?.turns ?? 0);
    const lower = (one: typeof few) =>
      Math.tan(planned?.planned.nut?.vertical ?? 0) - Math.tan(((one?.mistakes[0]?.figure ?? 0) * Math.PI) / 180);
    expect(lower(few) / missing(few)).toBeCloseTo(lower(more) / missing(more), 3);
    expect(lower(few)).toBeGreaterThan(0);
    const full = straight('bass-in-line', 3, 2.2);
    expect(full.turns).toBeGreaterThan(full.planned.capacityTurns);
    expect(full.mistakes).toEqual([{ string: 3, kind: 'post-full', figure: full.turns }]);
  });

  it('an octave too high breaks it on the way: it says by how much it was over, and the string is lost', () => {
    const restring = laidOut('ukulele-concert');
    let now = started(restring);
    for (const string of restring.strings.keys()) now = does(restring, now, ...bare(string, right(restring)));
    now = does(restring, now, thread(restring, 0));
    for (let turn = 0; turn < 400 && now.lost.length === 0; turn++) now = after(restring, now, { do: 'turn', string: 0, turns: 0.5 });
    expect([now.lost, now.strings[0]]).toEqual([[0], { at: 'cut' }]);
    const [mistake] = now.mistakes.filter(({ string }) => string === 0);
    expect(mistake?.kind).toBe('octave-over');
    const { string, plan } = restring.strings[0] ?? { string: null, plan: null };
    // pitch goes with the root of the pull, less what the string thins; it breaks at its breaking load
    const most = 600 * Math.log2((string?.breakingLoad ?? 0) / (plan?.load.pull ?? 1));
    expect(mistake?.figure).toBeGreaterThan(0.8 * most);
    expect(mistake?.figure).toBeLessThan(1.3 * most);
  });

  it('a clamp that is too tight notches it: it breaks at 0.7 of what it bears', () => {
    const breaksAt = (way: string) => {
      const restring = laidOut('electric-double-locking');
      const blocked = does(restring, started(restring), { do: 'nut', on: false }, { do: 'block', on: true });
      let now = does(restring, blocked, ...bare(0, way), thread(restring, 0));
      let pull = 0;
      for (let turn = 0; turn < 4000 && now.lost.length === 0; turn++) {
        pull = pullNow(restring, now, 0);
        now = after(restring, now, { do: 'turn', string: 0, turns: 0.05 });
      }
      return { pull, kinds: kindsOf(now) };
    };
    const [snug, hard] = [breaksAt('clamp-snug'), breaksAt('clamp-hard')];
    expect(hard.kinds).toContain('notched');
    expect(snug.kinds).not.toContain('notched');
    // what lies past the nut breaks first, by as much as its slot holds back: the same at both
    expect(hard.pull / snug.pull).toBeCloseTo(1 - RESTRINGING.notched.value, 1);
    // one that was not brought so far is told at the end, with what it bears
    const locking = laidOut('electric-double-locking');
    const open = does(locking, started(locking), { do: 'nut', on: false }, { do: 'block', on: true }, ...bare(0, 'clamp-hard'));
    const low = does(locking, open, thread(locking, 0), { do: 'turn', string: 0, turns: 1 }, { do: 'trim', string: 0 });
    const bears = (1 - RESTRINGING.notched.value) * (locking.strings[0]?.string.breakingLoad ?? 0);
    expect(low.mistakes).toContainEqual({ string: 0, kind: 'bad-end', figure: expect.closeTo(bears, 6) });
  });

  it('a string that was wound before breaks where it was bent, at 0.85 of what it bears', () => {
    const restring = laidOut('acoustic-parlour');
    const breaksAt = (from: OnBench) => {
      let [now, pull] = [from, 0];
      for (let turn = 0; turn < 4000 && now.lost.length === 0; turn++) {
        pull = pullNow(restring, now, 0);
        now = after(restring, now, { do: 'turn', string: 0, turns: 0.02 });
      }
      return pull;
    };
    const first = does(restring, started(restring), ...bare(0, right(restring)), thread(restring, 0));
    const again = does(restring, up(restring, first, 0), ...bare(0, right(restring)), thread(restring, 0));
    expect(woundAt(again, 0).bent).toBe(true);
    expect(breaksAt(again) / breaksAt(first)).toBeCloseTo(1 - RESTRINGING.bent.value, 1);
    // the first of a tenor banjo bears 1.34 times its pull: bent, it parts less than two semitones over its note, and that is why
    const banjo = laidOut('banjo-tenor');
    const once = does(banjo, started(banjo), ...bare(0, right(banjo)), thread(banjo, 0));
    const twice = does(banjo, up(banjo, once, 0), ...bare(0, right(banjo)), thread(banjo, 0), { do: 'turn', string: 0, turns: 400 });
    expect(twice.mistakes).toMatchObject([{ string: 0, kind: 'bent' }]);
  });

  it('a tail that is cut flush frees what locked it: a quarter of 0.12 of its pull by e^(0.2 · 2π n), and it is flat within the week', () => {
    const restring = laidOut('electric-split');
    const cutAt = (string: number, flush: boolean, on = restring, slack?: Metres) => {
      const taut = up(on, does(on, started(on), ...bare(string, right(on)), thread(on, string, slack)), string);
      return does(on, taut, { do: 'judge', string }, { do: 'trim', string, flush });
    };
    const week = (now: OnBench) => worthOf(restring, now).inAWeek[5] ?? 0;
    const [left, flush] = [cutAt(5, false), cutAt(5, true)];
    expect(woundAt(left, 5)).toMatchObject({ trimmed: true });
    expect(woundAt(flush, 5)).toMatchObject({ trimmed: true, flush: true });
    // a hard bend pulls 4/3: e^(0.4π n) times a quarter of 0.12 of it holds that from 3.02 turns on
    const many = cutAt(5, true, restring, metres((restring.strings[5]?.plan.slack ?? 0) + 0.08));
    expect(woundAt(many, 5).plan.wind.turns).toBeGreaterThan(3.1);
    expect(kindsOf(many)).not.toContain('flush-tail');
    const { plan, of } = woundAt(flush, 5);
    expect(woundAt(left, 5).of.holds).toBeNull(); // locked
    expect((of.holds ?? 0) / plan.load.pull).toBeCloseTo(0.25 * 0.12 * Math.exp(0.2 * 2 * Math.PI * plan.wind.turns), 6);
    expect([kindsOf(left).includes('flush-tail'), kindsOf(flush).includes('flush-tail')]).toEqual([false, true]);
    expect(pullNow(restring, flush, 5)).toBeLessThan(of.holds ?? 0); // it lets go at once
    expect(week(flush)).toBeLessThan(week(left) - 50);
    const bass = laidOut('bass-in-line'); // its end lies inside the post
    expect(kindsOf(cutAt(1, true, bass))).not.toContain('flush-tail');
  });

  it('an end that is not home sinks under the stretch, and does not once it was pressed', () => {
    const restring = laidOut('acoustic-parlour');
    const [, , half] = anchorWays('pins');
    const on = up(restring, does(restring, started(restring), ...bare(3, half?.id ?? ''), thread(restring, 3)), 3);
    const once = after(restring, on, { do: 'stretch', string: 3 });
    expect(once.mistakes).toEqual([{ string: 3, kind: 'sinks', figure: expect.closeTo(RESTRINGING.hangs.value / 2, 9) }]);
    expect(woundAt(after(restring, once, { do: 'judge', string: 3 }), 3)).toMatchObject({ rounds: 1, judged: true });
    expect(woundAt(does(restring, once, { do: 'judge', string: 3 }, { do: 'stretch', string: 3 }), 3)).toMatchObject({ rounds: 2, judged: false }); // prettier-ignore
    expect(kindsOf(does(restring, on, { do: 'press', string: 3 }, { do: 'stretch', string: 3 }))).toEqual([]);
    expect(pullNow(restring, after(restring, on, { do: 'press', string: 3 }), 3)).toBeLessThan(pullNow(restring, on, 3));
  });

  it('an end that was fixed badly and did not show it is told at the end, with what it holds', () => {
    const restring = laidOut('acoustic-parlour');
    const [, creeps, half] = anchorWays('pins');
    const cutAt = (way: string, ...more: readonly Act[]) => {
      const on = up(restring, does(restring, started(restring), ...bare(3, way), thread(restring, 3)), 3);
      return does(restring, on, ...more, { do: 'judge', string: 3 }, { do: 'trim', string: 3 }).mistakes.filter(({ kind }) =>
        ['bad-end', 'not-home', 'anchor', 'sinks'].includes(kind),
      );
    };
    const [told] = cutAt(creeps?.id ?? '');
    expect(told?.kind).toBe('bad-end');
    expect((told?.figure ?? 0) / (restring.strings[3]?.plan.load.pull ?? 1)).toBeCloseTo(RESTRINGING.creepsAt.value, 6);
    expect(cutAt(half?.id ?? '')).toEqual([{ string: 3, kind: 'not-home', figure: RESTRINGING.hangs.value }]);
    expect(cutAt(half?.id ?? '', { do: 'press', string: 3 })).toEqual([]); // it was pressed home
    // what a stretch showed is not told a second time; an end that creeps gives way there
    expect(cutAt(half?.id ?? '', { do: 'stretch', string: 3 }).map(({ kind }) => kind)).toEqual(['sinks']);
    const [shown, ...more] = cutAt(creeps?.id ?? '', { do: 'stretch', string: 3 });
    expect([shown, more]).toEqual([{ string: 3, kind: 'anchor', figure: expect.closeTo(restring.strings[3]?.plan.wind.turns ?? 0, 6) }, []]); // prettier-ignore
    // another's does not hide it
    const both = does(restring, started(restring), ...bare(2, half?.id ?? ''), thread(restring, 2));
    const told2 = does(restring, up(restring, both, 2), { do: 'stretch', string: 2 }, ...bare(3, half?.id ?? ''), thread(restring, 3));
    expect(does(restring, up(restring, told2, 3), { do: 'trim', string: 3 }).mistakes).toContainEqual({
      string: 3,
      kind: 'not-home',
      figure: RESTRINGING.hangs.value,
    });
    expect(cutAt(right(restring))).toEqual([]);
  });

  it('a tie that runs never lets its string up', () => {
    const restring = laidOut('classical');
    const now = up(restring, does(restring, started(restring), ...bare(3, 'not-tucked'), thread(restring, 3)), 3);
    expect(pullNow(restring, now, 3)).toBeLessThan(restring.strings[3]?.plan.load.pull ?? 0);
    expect(kindsOf(now)).toContain('anchor');
  });

  it('too short is scrap; said to hold too early, cut too early, wound the other way and against a nut that is shut are told', () => {
    const restring = laidOut('acoustic-parlour');
    const short = does(restring, started(restring), ...bare(5, right(restring)), thread(restring, 5, metres(-0.02)));
    expect([kindsOf(short), short.strings[5], short.lost]).toEqual([['too-short'], { at: 'off' }, [5]]);
    const next = does(restring, short, ...bare(4, right(restring)), thread(restring, 4, metres(-0.02)));
    expect(next.mistakes.map(({ string, figure }) => [string, figure])).toEqual([5, 4].map((string) => [string, -20])); // each is told
    const other: Act = { ...(thread(restring, 5) as Extract<Act, { do: 'thread' }>), direction: 'clockwise' };
    const on = up(restring, does(restring, started(restring), ...bare(5, right(restring)), other), 5);
    expect(kindsOf(does(restring, on, { do: 'trim', string: 5 }, { do: 'judge', string: 5 }))).toEqual([
      'other-side',
      'trimmed-early',
      'judged-early',
    ]);
    const locking = laidOut('electric-double-locking');
    const shut = does(locking, started(locking), { do: 'turn', string: 0, turns: -1 });
    expect([kindsOf(shut), centsOff(locking, shut, 0)]).toEqual([['nut-shut'], centsOff(locking, started(locking), 0)]);
  });

  it('tails that are to lie under their neighbours: none is wound before all are anchored', () => {
    const restring = laidOut('ukulele-concert');
    const wrapTuck = {
      ...restring,
      instrument: { ...restring.instrument, bridge: { ...restring.instrument.bridge, anchor: 'wrap-and-tuck' as const } },
    };
    const turn = { do: 'turn', string: 0, turns: 1 } as const;
    const now = does(wrapTuck, started(wrapTuck), ...bare(0, 'tucked-under-neighbour'), thread(wrapTuck, 0), turn);
    expect(kindsOf(now)).toEqual(['tails-not-tucked-yet']);
    const tuck = (then: ReturnType<typeof started>, string: number) => does(wrapTuck, then, ...bare(string, 'tucked-under-neighbour'));
    const tucked = [...restring.strings.keys()].reduce(tuck, started(wrapTuck));
    const wound = does(wrapTuck, tucked, thread(wrapTuck, 0), { do: 'turn', string: 0, turns: 1 }, thread(wrapTuck, 1), { do: 'turn', string: 1, turns: 1 }); // prettier-ignore
    expect(kindsOf(wound)).toEqual([]);
  });
});
