import { instrumentOf } from '@gold-peg/craft/archetypes';
import { onePass, restsFrom } from '@gold-peg/craft/balance';
import { calibrate, type CountedTurns } from '@gold-peg/craft/calibration';
import { Ear, trackPitch } from '@gold-peg/craft/pitch';
import { windString } from '@gold-peg/craft/procedure';
import { solveGauges, type GaugeQuestion } from '@gold-peg/craft/gauges';
import { pluck } from '@gold-peg/craft/sound';
import { SETS, setsFor, stringProperties, STRINGS } from '@gold-peg/craft/strings';
import { strungKind } from '@gold-peg/craft/tuning';
import { HOLDS } from '@gold-peg/craft/methods';
import { forecastDrift, judgeRounds } from '@gold-peg/craft/settle';
import { cents, fromInches, fromMillimetres, hertz, metres } from '@gold-peg/craft/units';
import { tensionFor } from '@gold-peg/craft/tension';
import { foldWorksheet, type BenchEvent } from '@gold-peg/craft/worksheet';
import { STRING_EVENTS } from '@gold-peg/craft/stages';
import { benchBridge, foreseeOnce } from './bridges.js';

const ROUNDS = [40, 19, 10, 5, 3, 1].map(cents);
const READINGS = [0.2, 0.5, 1, 3, 6].map((hours) => ({ hours, cents: cents(-12), retuned: true }));

const SECOND = {
  samples: pluck({ first: hertz(41.2), inharmonicity: 2e-4, at: 0.2, ring: 8, seconds: 1, sampleRate: 48_000 }, () => 0.3),
  sampleRate: 48_000,
};

/** Counts that scatter by ten per cent, all of one person. */
const COUNTS = Array.from({ length: 300 }, (_, index): CountedTurns => {
  const posts = {
    postDiameter: fromMillimetres(6),
    stringDiameter: fromMillimetres(0.3 + (index % 5) / 5),
    nutToPost: fromMillimetres(95),
  };
  const slack = fromMillimetres(50 + (index % 7));
  const turns = 2 + ((index * 37) % 11) / 25;
  return { instrumentId: `instrument ${index}`, personId: 'hand', turns, slack, stretch: fromMillimetres(3), ...posts };
});

const RUNS = 5;
const RUN_MS = 300;

export interface Rate {
  name: string;
  perSecond: number;
}

export function coreRates(): Rate[] {
  const instrument = instrumentOf('acoustic-parlour');
  const spec = { family: 'acoustic', construction: 'wound', gauge: fromInches(0.032) } as const;
  const outcome = stringProperties(spec);
  if (!outcome.ok) throw new Error('no string');
  const string = outcome.value;
  const log = manyEvents(480);
  const floating = benchBridge();
  const flat = restsFrom(floating.bridge, floating.claw, floating.heard).rests;
  return [
    rate('pull of a string', () => tensionFor(hertz(146.8), metres(0.632), string)),
    rate('mass, stiffness and strength of a wound string', () => stringProperties(spec)),
    rate('whole plan of one string: turns, slack, cut, angles', () => windString({ instrument, index: 3, string })),
    rate('plans of a whole instrument from its set', () => wholeInstrument(instrument)),
    rate('fold of a worksheet with 480 events', () => foldWorksheet(6, log)),
    rate('hands and posts from 300 counts of one person at 300 instruments', () => calibrate(COUNTS), 1),
    rate('stretch or slip after six rounds', () => judgeRounds({ drops: ROUNDS, tolerance: cents(2) }), 1),
    rate(
      'when a string is tuned again, from five readings',
      () => forecastDrift({ readings: READINGS, limit: HOLDS.cents, hold: HOLDS }),
      1,
    ),
    rate('one pass over a floating bridge (200 are wanted)', () => onePass(floating.bridge, floating.claw, flat, [5, 4, 3, 2, 1, 0])),
    rate('what a pass is worth, by 2,000 draws (1 is wanted)', foreseeOnce, 1),
    rate('pitch of one second of a bass string, in frames of 43 ms', () => trackPitch({ ...SECOND, targets: [], hop: 2048 / 48_000 }), 1),
    rate(
      'a second of sound at the ear, plucked once (3 keeps up with a factor of 3)',
      () => new Ear(SECOND.sampleRate).hear(SECOND.samples),
      1,
    ),
    rate('best gauges for six strings, most even pull', () => solveGauges(gaugeQuestion('electric-in-line')), 1),
    rate('best gauges for twelve strings, most even pull', () => solveGauges(gaugeQuestion('acoustic-twelve')), 1),
  ];
}

function wholeInstrument(instrument: ReturnType<typeof instrumentOf>): void {
  const [set] = setsFor(instrument.family, instrument.strings.length);
  set?.strings.forEach((spec, index) => {
    const properties = stringProperties(spec);
    if (properties.ok) windString({ instrument, index, string: properties.value });
  });
}

/** The hardest of the wishes, over the whole table: the level is free, so that the strings depend on one another. */
function gaugeQuestion(neckId: string): GaugeQuestion {
  const strung = strungKind(neckId);
  return {
    strung,
    table: STRINGS,
    sets: SETS,
    wish: { kind: 'equal-pull', pull: null },
    weights: strung.seats.map(() => 1),
    wound: strung.seats.map(() => null),
    stock: null,
    mostSingles: null,
    mixed: false,
    answers: 6,
  };
}

function rate(name: string, work: () => unknown, inner = 20): Rate {
  const runs = Array.from({ length: RUNS }, () => {
    const began = performance.now();
    let done = 0;
    while (performance.now() - began < RUN_MS) {
      for (let each = 0; each < inner; each++) work();
      done += inner;
    }
    return (1000 * done) / (performance.now() - began);
  }).sort((a, b) => a - b);
  return { name, perSecond: runs[Math.floor(RUNS / 2)] ?? 0 };
}

function manyEvents(count: number): BenchEvent[] {
  const kinds = Object.values(STRING_EVENTS).filter((kind) => kind !== 'wound');
  return Array.from({ length: count }, (_, index): BenchEvent => {
    const head = {
      id: String(index).padStart(8, '0'),
      version: 1,
      jobId: 'j',
      instrumentId: 'i',
      personId: 'p',
      deviceId: 'd',
      at: '',
    } as const;
    return { ...head, kind: kinds[index % kinds.length] ?? 'anchored', string: (index % 6) + 1, payload: {} };
  });
}
