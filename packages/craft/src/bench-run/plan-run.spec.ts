import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { expectedEffort } from '../day/index.js';
import { ANCHORS, POST_STYLES, type AnchorKind, type Instrument, type PostStyle, isVibrato } from '../instrument/index.js';
import { STRETCHINGS, STRING_ORDERS, STRIPPINGS, type LayeredChoices, type Stripping } from '../methods/index.js';
import { TOOLS } from '../tools/index.js';
import { STRING_STAGES } from '../stages/index.js';
import {
  canStand,
  CAUTIONS,
  planRun,
  possibleStrippings,
  schoolsInForce,
  STRETCH_REASONS,
  stretchingInForce,
  stringOrder,
} from './index.js';
import type { BenchRun, RunStep } from './index.js';

/** An instrument of six strings with this anchor and these posts. */
function madeOf(anchor: AnchorKind, style: PostStyle): Instrument {
  const six = instrumentOf('electric-split');
  const strings = six.strings.map((string) => ({ ...string, post: { ...string.post, style } }));
  return { ...six, strings, bridge: { ...six.bridge, anchor } };
}
const STRINGS = Array.from({ length: 6 }, (_, index) => ({ construction: index < 3 ? ('plain' as const) : ('wound' as const) }));

interface Asked {
  blocked?: boolean;
  stripping?: Stripping;
  choices?: LayeredChoices;
}

function run(instrument: Instrument, { choices = {}, ...asked }: Asked = {}): BenchRun {
  const outcome = planRun({ instrument, strings: STRINGS.slice(0, instrument.strings.length), choices, ...asked });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
}

const at = (steps: readonly RunStep[], stage: RunStep['stage'], string: number) =>
  steps.findIndex((step) => step.stage === stage && step.string === string);

/** How many strings bear no pull at the worst moment. */
function mostOff(steps: readonly RunStep[]): number {
  let off = 0;
  let most = 0;
  for (const { stage, string, firstPass } of steps) {
    if (string === null) continue;
    if (stage === 'strip') most = Math.max(most, ++off);
    if (firstPass) off--;
  }
  return most;
}

/** Strings that may hang slack together: a loose bridge falls, a floating one tips, two share a clamp. Any other stands by itself. */
const BEARS: Readonly<Partial<Record<AnchorKind, number>>> = { 'hooked-tailpiece': 1, 'floating-vibrato': 1, 'double-locking': 2 };

const combinations = ANCHORS.flatMap((anchor) =>
  POST_STYLES.flatMap((style) =>
    STRIPPINGS.flatMap((stripping) => [false, true].map((blocked) => ({ anchor, style, stripping, blocked }))),
  ),
);
const possible = combinations.filter(
  ({ anchor, style, stripping, blocked }) => canStand(anchor, style) && possibleStrippings({ anchor }, blocked).includes(stripping),
);

describe('the run at every anchor and post, in every school that is possible', () => {
  it('knows what is possible: hundreds of combinations, and no anchor or post left out', () => {
    expect(possible.length).toBeGreaterThan(300);
    expect(new Set(possible.map(({ anchor }) => anchor)).size).toBe(ANCHORS.length);
    expect(new Set(possible.map(({ style }) => style)).size).toBe(POST_STYLES.length);
  });

  it.each(possible.map((each) => [`${each.anchor}, ${each.style}, ${each.stripping}${each.blocked ? ', blocked' : ''}`, each] as const))(
    '%s',
    (_name, { anchor, style, stripping, blocked }) => {
      const { steps, schools } = run(madeOf(anchor, style), { stripping, blocked });
      // every string passes every stage once, in the order of the work; Balance only where the bridge moves
      for (let string = 0; string < 6; string++) {
        const stages = STRING_STAGES.filter((stage) => stage !== 'balance' || isVibrato({ anchor }));
        const places = stages.map((stage) => at(steps, stage, string));
        expect(places.every((place) => place >= 0)).toBe(true);
        expect(places).toEqual([...places].sort((a, b) => a - b));
        for (const stage of stages)
          expect(steps.filter((step) => step.stage === stage && step.string === string).length).toBe(stage === 'bring-up' ? 2 : 1);
      }
      // as many bear no pull together as the school says, and never more than the bridge bears
      expect(schools.stripping.value).toBe(stripping);
      expect(mostOff(steps)).toBe({ 'one-at-a-time': 1, pairs: 2, 'all-off': 6 }[stripping]);
      expect(mostOff(steps)).toBeLessThanOrEqual(blocked ? 6 : (BEARS[anchor] ?? 6));
      // what came off alone is at pitch before the next comes off; all off is first a whole tone under
      const first = steps.find(({ firstPass }) => firstPass)?.does;
      expect(first).toContain(stripping === 'all-off' ? 'a whole tone under' : 'only then the next string');
      // tails are fed through before anything is tightened
      if (anchor === 'wrap-and-tuck')
        expect(Math.max(...[0, 1, 2, 3, 4, 5].map((string) => at(steps, 'anchor', string)))).toBeLessThan(
          Math.min(...[0, 1, 2, 3, 4, 5].map((string) => at(steps, 'wind', string))),
        );
      // cautions where they belong
      for (const step of steps) {
        for (const caution of step.cautions) expect(CAUTIONS[caution].length).toBeGreaterThan(20);
        for (const text of [step.does, step.why, step.check, step.done]) expect(text).not.toBe('');
        if (step.stage === 'strip' && step.string !== null) {
          expect(step.cautions).toContain('never-cut');
          expect(step.cautions).toContain('loose-ends');
        }
        if (['ready', 'look-over', 'wind', 'settle'].includes(step.stage)) expect(step.record).not.toBeNull();
        if (step.stage === 'bring-up' || step.stage === 'settle') expect(step.cautions).toContain('eyes');
        if (step.stage === 'balance') expect(step.cautions).toEqual(['claw-screws', 'eyes']);
        if (step.stage === 'trim') expect(step.cautions).toContain('stubs');
      }
    },
  );

  it('refuses every other combination, and says which part of it cannot be', () => {
    for (const { anchor, style, stripping, blocked } of combinations) {
      if (
        possible.some((each) => each.anchor === anchor && each.style === style && each.stripping === stripping && each.blocked === blocked)
      )
        continue;
      const outcome = planRun({ instrument: madeOf(anchor, style), strings: STRINGS, choices: {}, stripping, blocked });
      expect(outcome).toMatchObject({
        ok: false,
        problem: canStand(anchor, style)
          ? { kind: 'stripping-not-possible', anchor, stripping }
          : { kind: 'post-cannot-stand', anchor, style },
      });
    }
  });
});

describe('what an instrument forces', () => {
  const schools = (anchor: AnchorKind, choices: LayeredChoices = {}, blocked = false) =>
    schoolsInForce({ bridge: { anchor, behindSaddle: 0 as never, tieHoles: 'single', cover: false, vibrato: false } }, choices, blocked);

  it('takes strings off one at a time by default, whoever chose otherwise wins, and the bridge over all', () => {
    expect(schools('pins').stripping).toMatchObject({ value: 'one-at-a-time', from: 'built-in', forced: null });
    expect(schools('pins', { house: { stripping: 'all-off' } }).stripping).toMatchObject({ value: 'all-off', from: 'house' });
    const overruled = schools('hooked-tailpiece', { technician: { stripping: 'all-off' } }).stripping;
    expect(overruled).toEqual({ value: 'one-at-a-time', from: 'forced', forced: 'loose-bridge', overruled: 'all-off' });
  });

  it('is said where there is no other way, also to who wanted no other', () => {
    for (const [anchor, forced] of [
      ['hooked-tailpiece', 'loose-bridge'],
      ['floating-vibrato', 'floating-bridge'],
      ['wrap-and-tuck', 'tails-under-neighbours'],
    ] as const)
      expect(schools(anchor).stripping).toMatchObject({ from: 'forced', forced, overruled: null });
    expect(schools('hooked-tailpiece', { house: { stripping: 'one-at-a-time' } }).stripping).toMatchObject({
      forced: 'loose-bridge',
      overruled: null,
    });
    expect(schools('floating-vibrato', {}, true).stripping.forced).toBeNull();
  });

  it('lets all strings off a floating bridge only while it is blocked', () => {
    const wish: LayeredChoices = { technician: { stripping: 'all-off' } };
    expect(schools('floating-vibrato', wish).stripping).toMatchObject({ value: 'one-at-a-time', forced: 'floating-bridge' });
    expect(schools('floating-vibrato', wish, true).stripping).toMatchObject({ value: 'all-off', forced: null });
    expect(schools('double-locking').stripping.value).toBe('pairs');
    expect(schools('double-locking', wish).stripping).toMatchObject({ value: 'pairs', forced: 'strings-share-clamps' });
  });

  it('anchors all first at wrap-and-tuck, and never where each comes off by itself', () => {
    expect(schools('wrap-and-tuck').anchoring).toMatchObject({ value: 'all-anchored-first', forced: 'tails-under-neighbours' });
    const first: LayeredChoices = { house: { anchoring: 'all-anchored-first' } };
    expect(schools('pins', first).anchoring).toMatchObject({ value: 'each-wound-at-once', overruled: 'all-anchored-first' });
    expect(schools('pins', { house: { ...first.house, stripping: 'all-off' } }).anchoring).toMatchObject({
      value: 'all-anchored-first',
      from: 'house',
    });
  });
});

describe('schools that nobody chose', () => {
  const schools = (id: string, choices: LayeredChoices = {}, blocked = false) => schoolsInForce(instrumentOf(id), choices, blocked);

  it('are one at a time, in pairs where two share a clamp, also while it is blocked', () => {
    expect(schools('acoustic-parlour').stripping).toEqual({ value: 'one-at-a-time', from: 'built-in', forced: null, overruled: null });
    expect(schools('electric-double-locking', {}, true).stripping).toMatchObject({ value: 'pairs', from: 'built-in', forced: null });
    expect(schools('electric-double-locking').stripping).toMatchObject({ value: 'pairs', from: 'built-in', forced: null });
  });

  it('wind each string as it is anchored: because it comes off singly, or because nobody said otherwise', () => {
    expect(schools('acoustic-parlour').anchoring).toMatchObject({ value: 'each-wound-at-once', forced: 'strings-come-off-singly' });
    expect(schools('acoustic-parlour', { house: { stripping: 'all-off' } }).anchoring).toEqual({
      value: 'each-wound-at-once',
      from: 'built-in',
      forced: null,
      overruled: null,
    });
  });

  it('stand clamps on headless necks alone, and pegs at the side only where strings hook to a tailpiece', () => {
    const pairs = [
      ['headless', 'clamp', true],
      ['headless', 'through', false],
      ['pins', 'clamp', false],
      ['hooked-tailpiece', 'side-peg', true],
      ['pins', 'side-peg', false],
    ] as const;
    for (const [anchor, style, can] of pairs) expect(canStand(anchor, style)).toBe(can);
  });
});

describe('the schools of stretching', () => {
  const inForceAt = (id: string, stretching: (typeof STRETCHINGS)[number], soft = false) =>
    stretchingInForce(instrumentOf(id), { house: { stretching } }, soft);

  it('are, where nobody chose: nodes of a bass, a twist for nylon and small bodies, along a steel string', () => {
    const ofNobody = (id: string, soft = false) => stretchingInForce(instrumentOf(id), {}, soft).value;
    expect([ofNobody('bass-in-line'), ofNobody('ukulele-concert'), ofNobody('classical', true), ofNobody('classical')]).toEqual(['nodes', 'twist', 'twist', 'along']); // prettier-ignore
  });

  it('are what somebody chose, wherever the body bears it', () => {
    expect(inForceAt('acoustic-parlour', 'sideways')).toMatchObject({ value: 'sideways', from: 'house', forced: null });
    expect(inForceAt('bass-in-line', 'light')).toMatchObject({ value: 'light', forced: null });
    expect(inForceAt('electric-double-locking', 'dives')).toMatchObject({ value: 'dives', forced: null });
  });

  it('are overruled by a small body, a bridge without vibrato, and strings that creep', () => {
    expect(inForceAt('mandolin', 'sideways')).toMatchObject({ value: 'twist', forced: 'small-body', overruled: 'sideways' });
    expect(inForceAt('acoustic-parlour', 'dives')).toMatchObject({ value: 'along', forced: 'no-vibrato' });
    expect(inForceAt('classical', 'nodes', true)).toMatchObject({ value: 'twist', forced: 'soft-strings' });
  });

  it('are let be on a small body, and on strings that creep, where they pull at nothing', () => {
    expect(inForceAt('mandolin', 'along')).toMatchObject({ value: 'along', from: 'house', forced: null });
    expect(inForceAt('classical', 'along', true)).toMatchObject({ value: 'along', from: 'house', forced: null });
    expect(inForceAt('mandolin', 'sideways').from).toBe('forced');
  });

  it('have a reason each, and each its words in the run', () => {
    const words = STRETCHINGS.map((stretching) => {
      const { steps } = run(instrumentOf('electric-double-locking'), { choices: { technician: { stretching } } });
      return steps.find(({ stage }) => stage === 'settle')?.does;
    });
    expect(new Set(words).size).toBe(STRETCHINGS.length);
    for (const stretching of STRETCHINGS) expect(STRETCH_REASONS[stretching].length).toBeGreaterThan(15);
  });
});

describe('the order of strings', () => {
  it.each([
    ['low-first', [5, 4, 3, 2, 1, 0]],
    ['high-first', [0, 1, 2, 3, 4, 5]],
    ['outside-in', [5, 0, 4, 1, 3, 2]],
    ['inside-out', [2, 3, 1, 4, 0, 5]],
    ['alternating', [5, 2, 4, 1, 3, 0]],
    ['toward-middle', [5, 4, 3, 0, 1, 2]],
  ] as const)('%s of six', (order, strings) => {
    expect(stringOrder(order, 6)).toEqual(strings);
  });

  it('names every string once, however many there are', () => {
    fc.assert(
      fc.property(fc.constantFrom(...STRING_ORDERS), fc.integer({ min: 1, max: 18 }), (order, count) => {
        expect([...stringOrder(order, count)].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, index) => index));
      }),
    );
  });

  it('takes pairs that share a clamp together, whatever the order', () => {
    for (const stringOrder of STRING_ORDERS) {
      const { steps } = run(instrumentOf('electric-double-locking'), { choices: { technician: { stringOrder } } });
      const off = steps.flatMap(({ stage, string }) => (stage === 'strip' && string !== null ? [string] : []));
      for (const pair of [off.slice(0, 2), off.slice(2, 4), off.slice(4)])
        expect(Math.floor((pair[0] ?? 0) / 2)).toBe(Math.floor((pair[1] ?? 9) / 2));
    }
  });
});

describe('tools and time', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: lists what its steps use, and takes what its kind is expected to take', (id) => {
    const instrument = instrumentOf(id);
    const strings = instrument.strings.map(() => ({ construction: instrument.family === 'ukulele' ? ('nylon' as const) : ('wound' as const) })); // prettier-ignore
    const outcome = planRun({ instrument, strings, choices: {} });
    if (!outcome.ok) throw new Error(outcome.problem.kind);
    const { steps, tools } = outcome.value;
    for (const { tools: used } of steps) {
      for (const tool of used) expect(tools).toContain(tool);
      expect([...used]).toEqual([...new Set(used)]); // nothing is asked for twice
    }
    for (const tool of tools) expect(TOOLS[tool]).not.toBe('');
    const made = strings.map(({ construction }) => construction);
    const effort = expectedEffort(instrument.family, made, isVibrato(instrument.bridge));
    const sum = (part: 'attended' | 'unattended') => steps.reduce((total, { minutes }) => total + minutes[part], 0);
    expect(sum('attended')).toBeCloseTo(effort.attendedMinutes, 6);
    expect(sum('unattended')).toBeCloseTo(60 * effort.settlingHours, 9);
  });

  it('lays out for exactly this job: a lever for pins, hex keys for clamps, tape and pencil for a loose bridge, a block for one that floats', () => {
    const tools = (id: string) => run(instrumentOf(id)).tools;
    expect(tools('acoustic-parlour')).toContain('pin-lever');
    expect(tools('electric-double-locking')).toEqual(expect.arrayContaining(['hex-keys', 'block']));
    expect(tools('banjo-tenor')).toEqual(expect.arrayContaining(['masking-tape', 'pencil']));
    expect(tools('classical')).not.toContain('pin-lever');
    expect(tools('electric-headless')).toContain('eraser');
  });

  it('takes its minutes from what this person needed before: a half more at Wind, nothing else changed', () => {
    const instrument = instrumentOf('acoustic-parlour');
    const [expected, slow] = [[], Array.from({ length: 400 }, () => ({ ratio: 1.5 }))].map((jobs) => {
      const times = jobs.map(({ ratio }) => ({
        personId: 'me',
        family: instrument.family,
        stringCount: 6,
        stage: 'wind' as const,
        minutes: ratio * 0.24 * 6 * 5, // a share of 0.24 of five minutes for each of six strings
      }));
      const outcome = planRun({ instrument, strings: STRINGS, choices: {}, learned: { times, personId: 'me' } });
      if (!outcome.ok) throw new Error(outcome.problem.kind);
      const of = (stage: RunStep['stage']) =>
        outcome.value.steps.filter((each) => each.stage === stage).reduce((sum, { minutes }) => sum + minutes.attended, 0);
      return { wind: of('wind'), anchor: of('anchor') };
    });
    expect(expected?.wind).toBeCloseTo(7.2, 9);
    expect(slow?.wind).toBeCloseTo(10.8, 1);
    expect(slow?.anchor).toBeCloseTo(expected?.anchor ?? 0, 9);
  });
});
