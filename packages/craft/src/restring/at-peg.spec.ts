import { describe, expect, it } from 'vitest';
import { RESTRINGING } from '../constants/index.js';
import { bare, does, kindsOf, laidOut, right, thread, up, woundAt } from '../testing/index.js';
import { metres } from '../units/index.js';
import { broke, slackened, slipped, turnedBy } from './at-peg.js';
import { after, begun, centsOff, isLoose, type OnBench } from './index.js';

const parlour = laidOut('acoustic-parlour');
const LOW = 5;
const hung = does(parlour, begun(parlour), { do: 'cover', on: true }, ...bare(LOW, right(parlour)), thread(parlour, LOW, metres(0.13)));
const [always, never] = [() => 0, () => 1 - 2 ** -32];
const gear = parlour.instrument.gearRatio;
/** So many turns of the post. */
function wound(from: OnBench, turns: number, chance: () => number): OnBench {
  const then = turnedBy(parlour, from, { string: LOW, turns: gear * turns }, chance);
  if (then === null) throw new Error('it cannot be turned');
  return then;
}

describe('turns that come to lie on a post', () => {
  const rounds = RESTRINGING.crossingRounds.value;

  it('cross where no hand guides them, but for the first; each is told, and slides for a while', () => {
    const crossed = wound(hung, 3.1, always);
    expect(woundAt(crossed, LOW)).toMatchObject({ laid: [true, false, false], slides: 2 * rounds, taut: false });
    expect(crossed.mistakes).toEqual([{ string: LOW, kind: 'crossing', figure: 2 }]);
    const good = { laid: [true, true, true], slides: 0 };
    expect(woundAt(wound(hung, 3.1, never), LOW)).toMatchObject(good);
    expect(woundAt(wound({ ...hung, guided: true }, 3.1, always), LOW)).toMatchObject(good);
    expect(kindsOf(wound({ ...hung, guided: true }, 3.1, always))).toEqual([]);
  });

  it('come off again as they lay, and what they would have slid goes with them', () => {
    const crossed = wound(hung, 3.1, always);
    const one = wound(crossed, -1, never);
    expect(woundAt(one, LOW)).toMatchObject({ laid: [true, false], slides: rounds });
    expect(woundAt(wound(one, -1, never), LOW)).toMatchObject({ laid: [true], slides: 0 });
    expect(woundAt(wound(one, 1, never), LOW)).toMatchObject({ laid: [true, false, true], slides: rounds });
    const beside = wound(wound(hung, 3.1, never), -1, never);
    expect(woundAt(beside, LOW)).toMatchObject({ laid: [true, true], slides: 0 });
    expect(woundAt(wound(wound(hung, 1.1, never), -9, never), LOW)).toMatchObject({ laid: [], button: 0 }); // no farther back than from the start
  });

  it('are of what is on: nothing turns that is off', () => {
    const off = does(parlour, begun(parlour), { do: 'slacken', string: 0 }, { do: 'take-off', string: 0 });
    expect([turnedBy(parlour, off, { string: 0, turns: 1 }, never), slackened(parlour, off, 0)]).toEqual([null, null]);
    expect(turnedBy(parlour, hung, { string: LOW, turns: 0 }, never)).toBeNull();
  });
});

describe('a string that breaks on its way up, or gives way', () => {
  const tuned = up(parlour, { ...hung, guided: true }, LOW);
  const over = (cents: number) => {
    let now = tuned;
    while ((centsOff(parlour, now, LOW) ?? 0) < cents) now = after(parlour, now, { do: 'turn', string: LOW, turns: 0.05 });
    return now;
  };
  const lost = (now: OnBench) => broke(parlour, now, LOW).mistakes.at(-1);

  it('was taken too high, where it was bent before by that, or by more than an ear is off for the octave under', () => {
    const little = over(100);
    expect(lost(little)).toEqual({ string: LOW, kind: 'over', figure: centsOff(parlour, little, LOW) });
    expect(lost({ ...little, strings: little.strings.with(LOW, { ...woundAt(little, LOW), bent: true }) })?.kind).toBe('bent');
    expect(lost(over(201))?.kind).toBe('octave-over');
    const gone = broke(parlour, little, LOW);
    expect([gone.strings[LOW], gone.lost]).toEqual([{ at: 'cut' }, [LOW]]);
    expect(kindsOf(broke(parlour, { ...little, eyesCovered: false }, LOW)).at(-1)).toBe('eyes-bare');
  });

  it('slips by its end where that was fixed badly, else by its few turns', () => {
    const string = woundAt(tuned, LOW);
    const kinds = ['ball-against-plate', 'ball-half-up', 'ball-under-pin'].map((anchor) => {
      const [told] = slipped(parlour, tuned, LOW, { ...string, anchor }).mistakes.slice(-1);
      return [told?.kind, told?.figure];
    });
    const { turns } = string.plan.wind;
    expect(kinds).toEqual([['slips', turns], ['slips', turns], ['anchor', turns]]); // prettier-ignore
  });

  it('is let down until it is loose, and no farther; not behind a nut that is shut', () => {
    const down = slackened(parlour, tuned, LOW);
    expect(down === null || isLoose(parlour, down, LOW)).toBe(true);
    expect(slackened(parlour, down ?? tuned, LOW)).toBeNull();
    expect(kindsOf(slackened(parlour, { ...tuned, nutShut: true }, LOW) ?? tuned)).toContain('nut-shut');
  });
});
