import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import type { Instrument, TopFinish } from '../instrument/index.js';
import type { LayeredChoices, Stripping } from '../methods/index.js';
import type { StringStage } from '../stages/index.js';
import type { Construction } from '../string-kinds/index.js';
import { TOOL_KINDS } from '../tools/index.js';
import { CAUTIONS, planRun, prepareBridge, sayTucks, type BenchRun, type RunStep } from './index.js';

interface Asked {
  of?: Construction | readonly Construction[];
  choices?: LayeredChoices;
  blocked?: boolean;
  stripping?: Stripping;
  only?: readonly number[];
}

function run(kind: string | Instrument, { of = 'wound', ...asked }: Asked = {}): BenchRun {
  const instrument = typeof kind === 'string' ? instrumentOf(kind) : kind;
  const strings = instrument.strings.map((_, index) => ({ construction: typeof of === 'string' ? of : (of[index] ?? 'wound') }));
  const outcome = planRun({ instrument, strings, choices: {}, ...asked });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
}
/** The first step of a string there, or the last one. */
function at(kind: string | Instrument, stage: StringStage, asked: Asked & { pass?: 'last' } = {}): RunStep {
  const { pass, ...facts } = asked;
  const steps = run(kind, facts).steps.filter((step) => step.stage === stage && step.string !== null);
  const step = pass === 'last' ? steps.at(-1) : steps[0];
  if (step === undefined) throw new Error('no step');
  return step;
}

describe('the words of every step', () => {
  const asked: readonly Asked[] = [
    {},
    { of: 'nylon' },
    { only: [0] },
    { choices: { house: { stretching: 'dives', cutTime: 'after-it-holds', tieSmooth: 'once-through', tucksWound: 2 } } },
  ];
  it.each(ARCHETYPES.map(({ id }) => id))('%s: whole sentences, tools and cautions that there are', (id) => {
    for (const facts of asked)
      for (const { does, why, check, record, done, tools, cautions } of run(id, facts).steps) {
        for (const text of [does, why, check, ...(record === null ? [] : [record])]) {
          expect(text).toMatch(/^[A-Z0-9].*[.?]$/);
          expect(text).not.toMatch(/ {2}|!|undefined|null/);
          // a sentence begins after another with a capital, or with the number of a step
          for (const [, next] of text.matchAll(/[.?] (\S)/g)) expect(next).toMatch(/[A-Z0-9]/);
        }
        expect(done).toMatch(/^[a-z][a-z ,]+$/);
        for (const tool of tools) expect(TOOL_KINDS).toContain(tool);
        for (const caution of cautions) expect(Object.keys(CAUTIONS)).toContain(caution);
      }
  });

  it('begin with the bench, once, before anything else', () => {
    for (const { id } of ARCHETYPES) {
      const [first, ...others] = run(id).steps;
      expect(first).toMatchObject({ stage: 'ready', string: null, firstPass: false });
      expect(first?.does).toContain('Every tool to hand');
      expect(others.some(({ does }) => does.includes('Every tool to hand'))).toBe(false);
    }
  });
});

describe('what is looked over', () => {
  it.each([
    ['ukulele-soprano', 'Is the screw of its peg loose? Snug it, and keep what comes off.', ['screwdriver'], ['loose-nut']],
    ['acoustic-parlour', 'Is the nut of its post loose? Snug it, and keep what comes off.', [], ['loose-nut']],
    ['electric-headless', 'Is the screw of its clamp sound?', [], []],
  ])('%s', (kind, asks, tools, cautions) => {
    const step = at(kind, 'look-over');
    expect(step.does).toMatch(/^Does a fingernail catch in a groove/);
    expect(step.does.endsWith(`no loose wraps. ${asks}`)).toBe(true);
    expect([step.tools, step.cautions]).toEqual([['rule', 'straightedge', 'caliper',...tools], ['repairer', 'specialist',...cautions]]); // prettier-ignore
    expect(step.record).toContain('relief, action, slot and saddle, mm');
  });
});

describe('what is wound', () => {
  it.each([
    ['acoustic-parlour', 'wound', [], ['cut-ends', 'eyes']],
    ['ukulele-soprano', 'nylon', ['screwdriver'], ['loose-ends', 'eyes']],
    ['bass-in-line', 'wound', [], ['cut-ends', 'eyes', 'untwists']],
  ] as const)('%s', (kind, of, tools, cautions) => {
    const step = at(kind, 'wind', { of });
    expect([step.tools, step.cautions]).toEqual([['winder', 'cutters', 'rule', ...tools], cautions]);
    expect(step.does).toContain('Measure the slack, wind it down side by side');
    expect(step.does.includes('Let it untwist and hang straight')).toBe(kind === 'bass-in-line');
    expect(step.does.includes('Where bare core shows')).toBe(kind === 'bass-in-line');
    expect(step.does.includes('Set the screw of the peg')).toBe(kind === 'ukulele-soprano');
  });
});

describe('how strings come up', () => {
  const NOTE = 'Look at the octave as well as the note.';
  const [up, more] = ['To its note, from below.', 'To its note once more, from below,'];
  const others = 'each has let the others down.';
  const passes = `Again in passes, until none has moved. ${NOTE}`;
  it.each<[string, Asked & { pass?: 'last' }, string]>([
    ['acoustic-parlour', {}, `${up} One light stretch, and to the note again; only then the next string. ${NOTE}`],
    ['acoustic-parlour', { only: [2] }, `${up} One light stretch, and to the note again. ${NOTE}`],
    ['acoustic-parlour', { only: [2], stripping: 'all-off' }, `${up} One light stretch, and to the note again. ${NOTE}`],
    ['classical', { of: 'nylon', only: [2] }, `${up} Twist it once, and to the note again. ${NOTE}`],
    [
      'acoustic-parlour',
      { stripping: 'all-off' },
      `To about a whole tone under its note, from below; the note itself when all strings pull. ${NOTE}`,
    ],
    ['bass-in-line', { only: [2] }, `Let it untwist, press it into its slot. ${up} One light stretch, and to the note again. ${NOTE}`],
    ['acoustic-parlour', { pass: 'last' }, `${more} all strings in turn: ${others} ${NOTE}`],
    ['acoustic-parlour', { pass: 'last', only: [2] }, `${more} and the others with it: ${others} ${NOTE}`],
    [
      'electric-in-line-locking',
      { pass: 'last' },
      `${more} all strings in turn: ${others} ${passes} Judge it in playing position: lying on its back the weight of the bridge moves the pitch.`,
    ],
    [
      'electric-headless',
      { pass: 'last' },
      `${more} all strings in turn: ${others} ${passes} Eraser out; then look at bridge and pitch in playing position.`,
    ],
  ])('%s, %j', (kind, asked, does) => {
    const step = at(kind, 'bring-up', asked);
    expect(step.does).toBe(does);
    expect([step.tools, step.cautions]).toEqual([['tuner', 'eyes'], ['eyes']]);
  });

  it('keep the neck loaded one by one, and let it take up the pull together else', () => {
    const [one, all] = ['one-at-a-time', 'all-off'].map((stripping) =>
      (['first', 'last'] as const).map((pass) =>
        at('acoustic-parlour', 'bring-up', { stripping: stripping as Stripping, ...(pass === 'last' && { pass }) }),
      ),
    );
    expect(one?.map(({ why }) => why.slice(0, 13))).toEqual(['Neck and brid', 'Neck and top ']);
    expect(all?.map(({ why }) => why.slice(0, 13))).toEqual(['Neck and top ', 'Neck and top ']);
    expect([one, all].map((passes) => passes?.map(({ done }) => done))).toEqual([['up, stretched once', 'at pitch'], ['near pitch', 'at pitch']]); // prettier-ignore
  });
});

describe('a bridge that moves', () => {
  it.each([
    ['electric-in-line-locking', 'so that it floats level', 'the bridge floats level. Judge it in playing position'],
    ['electric-in-line', 'so that it rests firmly and no more', 'the bridge rests on the body. Judge it in playing position'],
    ['electric-headless', 'so that it floats level', 'the bridge floats level. Eraser out'],
  ])('is balanced: %s', (kind, does, check) => {
    const step = at(kind, 'balance');
    expect(step.does).toContain(`The claw first, ${does}; then hear all strings`);
    expect(step.check).toContain(check);
    expect(step.tools).toEqual(['tuner', 'screwdriver', 'eyes']);
    expect(step.record).toContain('Turns of the claw screws');
  });
});

describe('how strings settle', () => {
  const fingers = 'Fingers under, thumb above, move along the string, gently; retune; again until it stays.';
  const [back, hand] = ['Back to pitch before the next string.', 'Stretch along by hand; retune; again until it stays.'];
  const dives: LayeredChoices = { house: { stretching: 'dives' } };
  const nylon =
    'Two fingers one side, thumb the other, and twist along the string; retune. It moves for a day: every ten to twenty minutes';
  it.each<[string, Asked & { pass?: 'last' }, string]>([
    ['acoustic-parlour', {}, fingers],
    ['classical', { of: 'nylon' }, `Pull its tie tight at the first stretch. ${nylon} at first, then hourly.`],
    ['electric-in-line-locking', {}, `${fingers} ${back}`],
    ['electric-double-locking', {}, `The nut stays open. ${fingers} ${back}`],
    ['electric-in-line', { choices: dives }, `${hand} The dips come once, after the last string.`],
    [
      'electric-in-line',
      { choices: dives, pass: 'last' },
      `${hand} It is the last: now ten to twenty full dips of the vibrato, once; then tune all again.`,
    ],
  ])('%s', (kind, asked, does) => {
    expect(at(kind, 'settle', asked).does).toBe(does);
  });

  it('are not pulled too hard on a bass, nor off a bridge that stands by them', () => {
    expect(at('bass-in-line', 'settle').why).toBe('Overstretching ruins a bass string.');
    expect(at('acoustic-parlour', 'settle').why).toContain('the drop of each round is the measure');
    expect(at('mandolin', 'settle').cautions).toEqual(['eyes', 'bridge-falls']);
    expect(at('acoustic-parlour', 'settle').cautions).toEqual(['eyes']);
  });

  it('move on unattended once, after the last that is settled: by the strings of the job alone', () => {
    const one = ['nylon', 'wound', 'wound', 'wound', 'wound', 'wound'] as const;
    const waits = (asked: Asked) =>
      run('acoustic-parlour', { of: one, ...asked }).steps.flatMap(({ stage, string, minutes }) =>
        minutes.unattended > 0 ? [`${stage} ${string ?? ''} ${minutes.unattended / 60}`] : [],
      );
    expect(waits({ only: [0] })).toEqual(['settle 0 24']); // nylon is given a day
    expect(waits({})).toEqual(['settle 0 24']);
    expect(waits({ only: [3] }).map((each) => each.split(' ')[0])).not.toContain('trim');
    expect(waits({ only: [3] })).not.toEqual(['settle 3 24']);
  });
});

describe('what is cut and seated at last', () => {
  const late: LayeredChoices = { house: { cutTime: 'after-it-holds' } };
  it.each<[string, Asked, readonly string[]]>([
    ['acoustic-parlour', {}, []],
    ['acoustic-parlour', { choices: late }, ['cutters', 'bin']],
    ['ukulele-soprano', { of: 'nylon' }, ['cutters', 'bin', 'screwdriver']],
    ['electric-headless', { choices: late }, ['small-hex']],
    ['electric-double-locking', {}, ['hex-keys', 'tuner']],
    ['bass-in-line', { choices: late }, []],
    ['bass-in-line', { of: 'nylon', choices: late }, []],
  ])('%s, %j', (kind, asked, tools) => {
    expect(at(kind, 'trim', asked).tools).toEqual(tools);
  });

  it('is nothing in a post that holds the end, and a tail of nylon only once its tie held', () => {
    expect(at('bass-in-line', 'trim', { choices: late }).does).toMatch(/^Its end is down in the post: nothing to cut there\. /);
    const [soft, steel] = [at('classical', 'trim', { of: 'nylon' }), at('acoustic-parlour', 'trim')];
    expect([soft.why, soft.check]).toEqual([
      'Soft strings go on moving for a day: a tail cut before the tie held is a string lost.',
      'The tie still holds; no tail touches the top.',
    ]);
    expect(soft.does).toMatch(/^Once it has held for a night, cut the tail to 12 to 25 mm; it is not turned in\. /);
    expect([soft.cautions, steel.cautions]).toEqual([['tie-runs'], ['stubs']]);
    expect(steel.why).toMatch(/^A stub bleeds the owner/);
    expect(steel.check).toMatch(/^No sharp end stands out/);
    expect(steel.does).not.toContain('Set the screw');
  });
});

describe('a finish that tape would lift', () => {
  const finished = (kind: string, top: TopFinish | null) => ({ ...instrumentOf(kind), top });
  it('gets a cloth behind the bridge, and slips of paper under the pencil', () => {
    for (const top of ['hard', null] as const) {
      expect(prepareBridge(finished('bass-in-line', top))).toMatchObject({
        does: 'Cloth or tape behind the bridge.',
        tools: ['masking-tape', 'cloth'],
      });
      expect(at(finished('bass-in-line', top), 'trim').does).toContain('Take the tape off sideways.');
      expect(prepareBridge(finished('mandolin', top))?.tools).toContain('masking-tape');
    }
    const soft: TopFinish = 'soft-lacquer';
    expect(prepareBridge(finished('bass-in-line', soft))).toMatchObject({
      does: 'A cloth behind the bridge, never tape: this finish would come off with it.',
      tools: ['cloth'],
    });
    const last = at(finished('bass-in-line', soft), 'trim').does;
    expect(last).toContain('Lift the cloth away.');
    expect(last).not.toContain('tape');
    expect(prepareBridge(finished('mandolin', soft))?.does).toMatch(/with pencil on slips of paper, never tape: .*, both feet\./);
    expect(prepareBridge(finished('mandolin', soft))?.tools).toEqual(['pencil']);
    // nothing is stuck to these
    expect(prepareBridge(finished('electric-split', soft))).toEqual(prepareBridge(finished('electric-split', null)));
  });
});

describe('before anything comes off', () => {
  const headless = (vibrato: boolean) => {
    const instrument = instrumentOf('electric-headless');
    return prepareBridge({ ...instrument, bridge: { ...instrument.bridge, vibrato } });
  };
  it('a headless bridge that moves is blocked, and noted with its block; one that stands is not', () => {
    const [moves, stands] = [headless(true), headless(false)];
    const told = moves?.does;
    expect(told).toBe(`${stands?.does} Note how level the bridge stands, and put a block under it: strings and springs hold each other.`);
    expect(moves?.why).toBe(`${stands?.why} Unblocked it falls back with every string that comes off.`);
    expect(moves?.record).toBe(`${stands?.record} Level of the bridge, mm; thickness of the block, mm.`);
    expect(moves?.tools).toEqual([...(stands?.tools ?? []), 'block']);
  });

  it('a cover is slid off where a hooked tailpiece has one, and nowhere else', () => {
    const covered = (kind: string) => {
      const instrument = instrumentOf(kind);
      return prepareBridge({ ...instrument, bridge: { ...instrument.bridge, cover: true, vibrato: true } });
    };
    expect(covered('mandolin')?.does).toMatch(/Slide the cover off backward\.$/);
    expect(covered('bass-in-line')?.does).not.toContain('cover');
    expect([covered('acoustic-parlour'), covered('classical')]).toEqual([null, null]);
  });

  it('nothing is done where the bridge needs nothing', () => {
    expect(run('acoustic-parlour').steps.filter(({ string }) => string === null)).toHaveLength(1);
  });
});

it('tucks are said as a hand counts them', () => {
  expect([[0, 0], [1, 1], [4, 4], [1, 2], [2, 3]].map(([least = 0, most = 0]) => sayTucks([least, most]))).toEqual([
    'not at all',
    'once',
    'four times',
    'once or twice',
    'twice or three times',
  ]); // prettier-ignore
});

it('a school that is asked for in this job leaves the order to who chose it', () => {
  const choices: LayeredChoices = { technician: { stringOrder: 'high-first' } };
  for (const stripping of ['one-at-a-time', 'all-off'] as const) {
    const { schools, order } = run('acoustic-parlour', { choices, stripping });
    expect(schools.order).toMatchObject({ value: 'high-first', from: 'technician' });
    expect(order[0]).toBe(0);
  }
});
