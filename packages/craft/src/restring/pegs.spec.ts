import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HAND_SECONDS } from '../constants/index.js';
import { pitchNow, pullsOf } from '../simulated/index.js';
import { bare, does, kindsOf, laidOut, right, started, thread, up, woundAt } from '../testing/index.js';
import { after, begun, pegFeel, pullNow, type Act, type OnBench, type Restring } from './index.js';

/** A soprano ukulele whose peg under string 1 bears so much of what that asks for at its note. */
function soprano(share: number): { restring: Restring; grip: number; lever: number } {
  const restring = laidOut('ukulele-soprano');
  const plan = restring.strings[0]?.plan;
  if (plan === undefined) throw new Error('no string');
  const { postDiameter, stringDiameter } = plan.geometry;
  // a helix whose turns touch draws in a little more than its circle: (2πr)² + d² for each turn
  const lever = Math.hypot(Math.PI * (postDiameter + stringDiameter), stringDiameter) / (2 * Math.PI);
  const grip = share * plan.load.pull * lever;
  return { restring: { ...restring, pegs: restring.pegs.with(0, grip) }, grip, lever };
}
const hung = (restring: Restring): OnBench => does(restring, started(restring), ...bare(0, right(restring)), thread(restring, 0));
const note = (restring: Restring) => restring.strings[0]?.plan.load.pull ?? 0;
const snug = (eighths: number): Act => ({ do: 'snug', string: 0, eighths });

describe('a peg that friction alone holds', () => {
  it('turns back by itself to where T r is what it bears, and loses no string', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 0.95, noNaN: true }), (share) => {
        const { restring, grip, lever } = soprano(share);
        let now = hung(restring);
        const { of, state } = woundAt(now, 0);
        const length = state.head + state.body + state.onPost;
        for (let turn = 0; turn < 120; turn++) {
          now = after(restring, now, { do: 'turn', string: 0, turns: 0.05 });
          const { state: on } = woundAt(now, 0);
          expect(pullsOf(of, on).head * lever).toBeLessThanOrEqual(grip * (1 + 1e-6));
          expect(on.head + on.body + on.onPost).toBeCloseTo(length, 12);
        }
        expect(pullNow(restring, now, 0)).toBeLessThan(note(restring)); // it never comes up
        const [told] = now.mistakes;
        expect(told).toMatchObject({ string: 0, kind: 'peg-creeps' });
        expect((told?.figure ?? 0) / (share * note(restring))).toBeCloseTo(1, 9);
      }),
      { numRuns: 8 },
    );
  });

  it('that bears the note and no more gives at each stretch: as much the fourth time as the first', () => {
    const costs = (share: number) => {
      const { restring } = soprano(share);
      let now = up(restring, hung(restring), 0);
      return Array.from({ length: 5 }, () => {
        const before = woundAt(now, 0);
        const then = after(restring, now, { do: 'stretch', string: 0 });
        const { of, state } = woundAt(then, 0);
        now = up(restring, then, 0);
        return 1200 * Math.log2(pitchNow(before.of, before.state) / pitchNow(of, state));
      });
    };
    const [loose, firm] = [costs(1.1), costs(2)];
    // a hand of usual strength pulls 4/3 T: 0.23 T is lost, 1200 log2 of the root of 1 / 0.77 and the stretch itself
    for (const cost of loose.slice(1)) expect(cost).toBeGreaterThan(100);
    expect(firm[4]).toBeLessThan((firm[0] ?? 0) / 4);
  });

  it('holds more by a quarter for each eighth of its screw, and turns as it feels', () => {
    const { restring, grip } = soprano(1);
    const now = begun(restring);
    expect(now.pegs[0]).toBe(grip);
    const [once, back, tight] = [[snug(1)], [snug(1), snug(-1)], [snug(2)]].map((acts) => does(restring, now, ...acts));
    expect((once?.pegs[0] ?? 0) / grip).toBeCloseTo(1.25, 9);
    expect((back?.pegs[0] ?? 0) / grip).toBeCloseTo(1, 9);
    expect(tight?.seconds).toBe(2 * HAND_SECONDS.snug.value);
    const feel = (eighths: number) => pegFeel(restring, does(restring, now, snug(eighths)), 0);
    // 1.25, 1.5625, 1.95 and 2.44 times what the note asks for
    expect([1, 2, 3, 4].map(feel)).toEqual(['light', 'firm', 'firm', 'stiff']);
    expect(once?.pegs.slice(1)).toEqual(now.pegs.slice(1)); // the others as they were
  });

  it('lets go at once where it is eased under pull', () => {
    const { restring } = soprano(1.8);
    const on = up(restring, hung(restring), 0);
    const eased = after(restring, on, snug(-4)); // 0.74 of what its note asks for
    expect(pullNow(restring, eased, 0)).toBeLessThan(0.75 * note(restring));
    expect(kindsOf(eased)).toEqual(['peg-creeps']);
    expect(kindsOf(after(restring, on, snug(-1)))).toEqual([]);
  });

  it('that is too tight jumps: no finer than three degrees and a half, and it is told', () => {
    const { restring } = soprano(3);
    const on = up(restring, hung(restring), 0);
    const moved = (now: OnBench) => woundAt(after(restring, now, { do: 'turn', string: 0, turns: 0.001 }), 0).state.button;
    expect(360 * (moved(on) - woundAt(on, 0).state.button)).toBeGreaterThan(3.5);
    expect(on.mistakes).toEqual([{ string: 0, kind: 'peg-stiff', figure: 360 * 0.02 }]);
    for (let seed = 0; seed < 20; seed++) {
      const jumped = after({ ...restring, seed }, on, { do: 'turn', string: 0, turns: -0.001 });
      expect(woundAt(on, 0).state.button - woundAt(jumped, 0).state.button).toBeLessThanOrEqual(1.5 * 0.02 + 1e-9); // half as far again at most
    }
    const eased = after(restring, on, snug(-2));
    expect(360 * (moved(eased) - woundAt(eased, 0).state.button)).toBeLessThan(0.5);
  });

  it('is not what gears are: those have no screw to snug, and never turn back', () => {
    const restring = laidOut('ukulele-concert');
    const now = begun(restring);
    expect(restring.pegs.every((peg) => peg === null)).toBe(true);
    expect(pegFeel(restring, now, 0)).toBeNull();
    expect(after(restring, now, snug(1))).toBe(now);
    const { restring: friction } = soprano(1);
    expect(after(friction, begun(friction), snug(0))).toMatchObject({ acts: 0 });
  });
});
