import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { ANCHORS, TIE_HOLES, tieHoleCount, type AnchorKind, type Instrument, type PostStyle } from '../instrument/index.js';
import type { LayeredChoices } from '../methods/index.js';
import { CAUTIONS, planRun, stretchingInForce, type BenchRun, type RunStep } from './index.js';

/** An instrument of six strings with this anchor and these posts. */
function madeOf(anchor: AnchorKind, style: PostStyle): Instrument {
  const six = instrumentOf('electric-split');
  const strings = six.strings.map((string) => ({ ...string, post: { ...string.post, style } }));
  return { ...six, strings, bridge: { ...six.bridge, anchor } };
}
const STRINGS = Array.from({ length: 6 }, (_, index) => ({ construction: index < 3 ? ('plain' as const) : ('wound' as const) }));

function run(instrument: Instrument, asked: { choices?: LayeredChoices; blocked?: boolean } = {}): BenchRun {
  const outcome = planRun({ instrument, strings: STRINGS.slice(0, instrument.strings.length), choices: {}, ...asked });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
}

describe('the words of a step', () => {
  const step = (anchor: AnchorKind, stage: RunStep['stage']) => {
    const style = anchor === 'headless' ? 'clamp' : 'through';
    const found = run(madeOf(anchor, style)).steps.find((each) => each.stage === stage && each.string !== null);
    if (found === undefined) throw new Error('no step');
    return { ...found, said: [found.does, found.check, ...found.cautions.map((caution) => CAUTIONS[caution])].join(' ') };
  };

  it('slacken before anything is taken off or cut, at every bridge', () => {
    for (const anchor of ANCHORS) expect(step(anchor, 'strip').does).toMatch(anchor === 'headless' ? /^Unscrew the tuner/ : /slacken/i);
  });

  it('mark a loose bridge first, and note how a floating one stands', () => {
    const first = (anchor: AnchorKind) =>
      run(madeOf(anchor, 'through')).steps.find(({ stage, string }) => stage === 'strip' && string === null)?.does;
    expect(first('hooked-tailpiece')).toContain('Mark the place of the bridge');
    expect(first('floating-vibrato')).toContain('how level the bridge stands');
    expect(first('double-locking')).toContain('which way its pads lie');
    expect(first('pins')).toBeUndefined();
  });

  it('leave strings alone that stay on: screws and fine tuners move for their own string only', () => {
    const first = (anchor: AnchorKind, style: PostStyle = 'through') =>
      run(madeOf(anchor, style)).steps.find(({ stage, string }) => stage === 'strip' && string === null)?.does;
    expect(first('headless', 'clamp')).toContain('one by one');
    expect(first('double-locking')).toContain('The string’s fine tuner');
  });

  it('say what is written down: places before anything loose moves, sizes, gauges, findings, turns', () => {
    const first = (anchor: AnchorKind, style: PostStyle = 'through') =>
      run(madeOf(anchor, style)).steps.find(({ stage, string }) => stage === 'strip' && string === null)?.record ?? null;
    expect(first('hooked-tailpiece')).toContain('treble and bass side, mm');
    expect(first('floating-vibrato')).toContain('thickness of the block, mm');
    expect(first('double-locking')).toContain('pad of each clamp');
    expect(first('headless', 'clamp')).toContain('Size of the key');
    expect(step('pins', 'ready').record).toContain('gauge read');
    expect(step('pins', 'wind').record).toContain('turns');
    expect(step('pins', 'strip').record).toBeNull();
  });

  it('never hammer a pin, never pull a tie upward, never lever at a tip', () => {
    expect(step('pins', 'anchor').said).toContain('Never hammer');
    expect(step('pins', 'strip').said).toContain('by the shoulder');
    expect(step('tie-block', 'anchor').said).toContain('never upward');
    expect(step('double-locking', 'anchor').said).toContain('Too tight cuts the string');
  });

  it('send repairs to a repairer, wounds to a clinician, old finishes to a specialist', () => {
    expect(step('pins', 'look-over').said).toContain('qualified repairer');
    expect(step('pins', 'look-over').said).toContain('specialist');
    expect(step('pins', 'trim').said).toContain('clinician');
  });

  it('seat what each anchor needs at the end', () => {
    expect(step('pins', 'trim').does).toContain('Push pins back by hand');
    expect(step('hooked-tailpiece', 'trim').does).toContain('upright on its mark');
    expect(step('headless', 'trim').does).toContain('just inside their clamps');
  });

  it('stretch, tune and lock a double-locking string as three steps, in this order, with the key', () => {
    const { does, tools } = step('double-locking', 'trim');
    expect(does).toMatch(/1 Stretch .* 2 Tune .* 3 Lock /);
    expect(tools).toContain('hex-keys');
    expect(step('double-locking', 'settle').does).toContain('nut stays open');
  });

  it('take a ball out of a stop tailpiece backward, a curl off before it goes through a body, a tie tight at the first stretch', () => {
    expect(step('stop-tailpiece', 'strip').does).toContain('backward, away from the bridge');
    expect(step('wrap-around', 'strip').does).toContain('at its front');
    expect(step('through-body', 'strip').does).toMatch(/cut the curled end off straight, push/);
    expect(step('tie-block', 'settle').does).toContain('tie tight at the first stretch');
    expect(step('tie-block', 'trim').does).not.toContain('tight');
  });

  it('dip a vibrato once, after the last string, and never for each', () => {
    const { steps, order } = run(madeOf('resting-vibrato', 'through'), { choices: { house: { stretching: 'dives' } } });
    const settling = steps.filter(({ stage }) => stage === 'settle');
    expect(settling.filter(({ does }) => does.includes('ten to twenty full dips')).map(({ string }) => string)).toEqual([order.at(-1)]);
  });

  it('set the screw of a friction peg, with a screwdriver to hand, and look for what is loose while strings are off', () => {
    const { steps, tools } = run(instrumentOf('ukulele-soprano'));
    expect(tools).toContain('screwdriver');
    for (const stage of ['wind', 'trim'] as const)
      expect(steps.find((each) => each.stage === stage)?.does).toContain('between slipping and too stiff');
    expect(steps.find(({ stage }) => stage === 'look-over')?.does).toContain('screw of its peg loose? Snug it, and keep what comes off');
    expect(run(instrumentOf('acoustic-parlour')).tools).not.toContain('screwdriver');
  });
});

describe('a headless bridge that is a vibrato', () => {
  const moving = instrumentOf('electric-headless');
  const fixed: Instrument = { ...moving, bridge: { ...moving.bridge, vibrato: false } };

  it('floats: one string at a time unless it is blocked, a block before anything comes off, dips allowed', () => {
    const wish: LayeredChoices = { house: { stripping: 'all-off', stretching: 'dives' } };
    expect(run(moving, { choices: wish }).schools.stripping).toMatchObject({ value: 'one-at-a-time', forced: 'floating-bridge' });
    expect(run(moving, { choices: wish, blocked: true }).schools.stripping).toMatchObject({ value: 'all-off', forced: null });
    expect(run(fixed, { choices: wish }).schools.stripping).toMatchObject({ value: 'all-off', forced: null });
    expect(run(moving).tools).toEqual(expect.arrayContaining(['eraser', 'block']));
    expect(run(fixed).tools).not.toContain('block');
    expect(stretchingInForce(moving, wish, false).value).toBe('dives');
    expect(stretchingInForce(fixed, wish, false)).toMatchObject({ value: 'along', forced: 'no-vibrato' });
  });
});

describe('what is cut at Trim', () => {
  const trim = (id: string, string: number, choices: LayeredChoices = {}, construction: 'plain' | 'wound' | 'nylon' = 'wound') => {
    const instrument = instrumentOf(id);
    const outcome = planRun({ instrument, strings: instrument.strings.map(() => ({ construction })), choices });
    const found = outcome.ok ? outcome.value.steps.find((step) => step.stage === 'trim' && step.string === string) : undefined;
    if (found === undefined) throw new Error('no step');
    return found;
  };

  it('is nothing where the tail was cut to the mark, and the tail where it was left', () => {
    expect(trim('acoustic-parlour', 3).does).toContain('nothing to cut');
    expect(trim('acoustic-parlour', 3, { house: { cutTime: 'after-winding' } }).does).toContain('nothing to cut');
    expect(trim('acoustic-parlour', 3, { house: { cutTime: 'after-it-holds' } }).does).toContain('Cut the tail close to the post');
    expect(trim('electric-in-line-locking', 3).does).toContain('Cut the tail close to the post');
    expect(trim('electric-headless', 3).does).toContain('cut at its clamp before pitch');
    expect(trim('bass-in-line', 3).tools).toEqual([]);
  });
});

describe('where a tie block is tied, by school', () => {
  const tied = (string: number, choices: LayeredChoices = {}) =>
    run(instrumentOf('classical'), { choices }).steps.find((step) => step.stage === 'anchor' && step.string === string)?.does ?? '';

  it('passes basses once and trebles twice through, unless somebody passes those once too', () => {
    expect(tied(0)).toContain('through the same hole again');
    expect(tied(5)).not.toContain('again');
    expect(tied(0, { technician: { tieSmooth: 'once-through' } })).not.toContain('again');
  });

  it('tucks as often as somebody chose', () => {
    expect(tied(0, { house: { tucksSmooth: 1 } })).toContain('under the loop once.');
    expect(tied(5, { house: { tucksWound: 3 } })).toContain('under the loop three times.');
  });
});

describe('what a string does at its own anchor', () => {
  const fit = (instrument: Instrument, string: number, choices: LayeredChoices = {}) =>
    run(instrument, { choices }).steps.find((step) => step.stage === 'anchor' && step.string === string)?.does ?? '';
  const tied = (tieHoles: Instrument['bridge']['tieHoles']): Instrument => {
    const six = instrumentOf('classical');
    return { ...six, bridge: { ...six.bridge, tieHoles } };
  };

  it('has six, nine or twelve holes in a tie block of six strings, four, six or eight in one of four', () => {
    expect(TIE_HOLES.map((holes) => tieHoleCount(holes, 6))).toEqual([6, 9, 12]);
    expect(TIE_HOLES.map((holes) => tieHoleCount(holes, 4))).toEqual([4, 6, 8]);
  });

  it('tucks what is smooth oftener than what is wound, and nothing where there is a second hole', () => {
    const smooth = run(tied('single'), {}).steps; // plain strings 1 to 3 stand for smooth ones
    expect(smooth.find((step) => step.stage === 'anchor' && step.string === 0)?.does).toContain('twice or three times');
    expect(fit(tied('single'), 5)).toContain('once or twice');
    for (const string of [0, 1, 2]) expect(fit(tied('treble-double'), string)).toContain('second hole');
    for (const string of [3, 4, 5]) expect(fit(tied('treble-double'), string)).not.toContain('second hole');
    for (const string of [0, 3, 5]) expect(fit(tied('double'), string)).toContain('nothing is tucked');
  });

  it('wraps the last string the other way round, whichever is last', () => {
    const tenor = instrumentOf('ukulele-tenor');
    const others = (last: number) => [0, 1, 2, 3].filter((string) => string !== last);
    expect(fit(tenor, 0)).toContain('the other way round');
    for (const string of others(0)) expect(fit(tenor, string)).toContain('under the next string’s wraps');
    const highFirst: LayeredChoices = { technician: { stringOrder: 'high-first' } };
    expect(fit(tenor, 3, highFirst)).toContain('the other way round');
    for (const string of others(3)) expect(fit(tenor, string, highFirst)).not.toContain('the other way round');
  });

  it('slides a cover off and back where there is one', () => {
    const said = (cover: boolean) => {
      const mandolin = instrumentOf('mandolin');
      const { steps } = run({ ...mandolin, bridge: { ...mandolin.bridge, cover } });
      return [steps.find(({ stage, string }) => stage === 'strip' && string === null), steps.find(({ stage }) => stage === 'trim')]
        .map((step) => step?.does ?? '')
        .join(' ');
    };
    expect(said(true)).toMatch(/cover off backward.*cover back/);
    expect(said(false)).not.toContain('cover');
  });
});
