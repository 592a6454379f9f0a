import { MEASURES, type Instrument, type Measure } from '../instrument/index.js';
import { windString, type WindPlan } from '../procedure/index.js';
import type { StringProperties } from '../strings/index.js';
import { toDegrees, toMillimetres } from '../units/index.js';
import { hasMeasure, strayed } from './strayed.js';

/** A number that a technician works by: turns on the post, slack in mm, break over the nut in degrees, pull in N, turns of the button, cents one of them is worth, room in the slot in mm. */
export type Figure = 'turns' | 'slack' | 'nut-angle' | 'pull' | 'button-turns' | 'cents-per-turn' | 'slot-room';

/** What a measure that nobody took leaves open. */
export interface Sharpens {
  measure: Measure;
  /** The number that hangs on it most, of the string (zero-based) where it does. */
  figure: Figure;
  string: number;
  likely: number;
  /** As it would be if the measure lies lower or higher than is typical; the smaller of both first. */
  range: readonly [number, number];
  /** How much that is, in steps that somebody at a bench would notice. */
  weight: number;
}

/** A step of each figure that somebody at a bench notices: a quarter turn, two millimetres, a degree, two newtons, a turn of the button, a semitone a turn, a twentieth of a millimetre. */
const NOTICED: Readonly<Record<Figure, number>> = {
  turns: 0.25,
  slack: 2,
  'nut-angle': 1,
  pull: 2,
  'button-turns': 1,
  'cents-per-turn': 100,
  'slot-room': 0.05,
};

type Figures = Partial<Record<Figure, number>>;
/** A figure as it is, and where the measure strays: it may then be none. */
type Looked = [likely: number, low: number | undefined, high: number | undefined];

/**
 * Which number each measure that was not taken would sharpen, the one that says most first: the plan of every string is reckoned again with the measure off by as much as it may be (`STRAYS`). `strings`: what is on, or
 * would be; null where nothing is known. `taken`: what somebody measured.
 */
export function sharpening(instrument: Instrument, strings: readonly (StringProperties | null)[], taken: ReadonlySet<Measure>): Sharpens[] {
  const now = figuresOf(instrument, strings);
  return MEASURES.filter((measure) => !taken.has(measure) && hasMeasure(instrument, measure))
    .flatMap((measure) => {
      const [less, more] = [figuresOf(strayed(instrument, measure, -1), strings), figuresOf(strayed(instrument, measure, 1), strings)];
      const found = now.flatMap((figures, string) =>
        (Object.keys(figures) as Figure[]).flatMap((figure): Sharpens[] => {
          const [likely, low, high] = [figures, less[string] as Figures, more[string] as Figures].map((each) => each[figure]) as Looked;
          if (low === undefined || high === undefined) return [];
          const weight = Math.max(Math.abs(low - likely), Math.abs(high - likely)) / NOTICED[figure];
          return [{ measure, figure, string, likely, range: [Math.min(low, high), Math.max(low, high)], weight }];
        }),
      );
      const most = found.reduce<Sharpens | null>((best, each) => (best === null || each.weight > best.weight ? each : best), null);
      return most === null ? [] : [most];
    })
    .sort((one, other) => other.weight - one.weight);
}

const figuresOf = (instrument: Instrument, strings: readonly (StringProperties | null)[]): Figures[] =>
  instrument.strings.map((place, index) => {
    const string = strings[index] ?? null;
    if (string === null) return {};
    const plan = windString({ instrument, index, string });
    return plan === null ? {} : { ...ofPlan(plan), 'slot-room': toMillimetres(place.slotWidth) - toMillimetres(string.gauge) };
  });

function ofPlan(plan: WindPlan): Figures {
  const held = { pull: plan.load.pull, slack: toMillimetres(plan.slack) };
  if (plan.kind === 'clamp') return held;
  const nut = plan.nut === null ? {} : { 'nut-angle': toDegrees(plan.nut.total) };
  return { ...held, ...nut, turns: plan.wind.turns, 'button-turns': plan.buttonTurns, 'cents-per-turn': plan.centsPerButtonTurn };
}
