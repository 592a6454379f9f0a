import {
  after,
  anchorWays,
  begun,
  centsOff,
  layOut,
  longerOn,
  nextCosts,
  pegFeel,
  pullNow,
  type Act,
  type OnBench,
  type Restring,
  type Wound,
} from '../restring/index.js';
import type { Metres } from '../units/index.js';

export const laidOut = (kind: string, seed = 7): Restring => {
  const restring = layOut(kind, seed);
  if (restring === null) throw new Error(`${kind} cannot be laid out`);
  return restring;
};
export const does = (restring: Restring, now: OnBench, ...acts: readonly Act[]) =>
  acts.reduce((then, act) => after(restring, then, act), now);
export const woundAt = (now: OnBench, index: number): Wound => {
  const string = now.strings[index];
  if (string?.at !== 'wound') throw new Error(`string ${index} is ${string?.at}`);
  return string;
};
export const kindsOf = (now: OnBench) => now.mistakes.map(({ kind }) => kind);
export const right = (restring: Restring) => anchorWays(restring.instrument.bridge.anchor)[0]?.id ?? '';
/** String `string` bare, its end fixed so. */
export const bare = (string: number, way: string): Act[] => [
  { do: 'slacken', string },
  { do: 'take-off', string },
  { do: 'anchor', string, way },
];
export const thread = (restring: Restring, string: number, slack?: Metres): Act => {
  const plan = restring.strings[string]?.plan;
  if (plan === undefined) throw new Error('no plan');
  return { do: 'thread', string, slack: slack ?? plan.slack, direction: plan.direction };
};
export const started = (restring: Restring): OnBench =>
  does(restring, begun(restring), { do: 'cover', on: true }, { do: 'guide', on: true });
/** Turned up from slack until it pulls as its plan has it. */
export function up(restring: Restring, from: OnBench, string: number): OnBench {
  const pull = restring.strings[string]?.plan.load.pull ?? 0;
  let now = from;
  for (let turn = 0; turn < 3000 && now.strings[string]?.at === 'wound' && pullNow(restring, now, string) < pull; turn++)
    now = after(restring, now, { do: 'turn', string, turns: 0.05 });
  return now;
}

/** Brought to its note from below, by the peg or by its fine tuner: most of the way at once, then in bits. */
function tuned(restring: Restring, from: OnBench, string: number, by: 'turn' | 'fine' = 'turn'): OnBench {
  const perTurn = by === 'fine' ? FINE_CENTS : (restring.strings[string]?.plan.centsPerButtonTurn ?? 100);
  let now = from;
  for (let step = 0; step < 300; step++) {
    const off = centsOff(restring, now, string) ?? -1200;
    if (Math.abs(off) < 2.5) break;
    const [down, up] = [-(off + 15) / perTurn - 0.03, Math.min(0.5, Math.max(1 / perTurn, (-0.6 * off) / perTurn))];
    now = after(restring, now, { do: by, string, turns: off > 0 ? down : up });
  }
  return now;
}

/** As it should be done: eyes covered, a hand on the string, the right end, the slack that is planned, rounds until the next costs little. */
export function restrung(restring: Restring): OnBench {
  const { anchor } = restring.instrument.bridge;
  const all = [...restring.strings.keys()];
  const off = (now: OnBench, string: number) => does(restring, now, ...bare(string, right(restring)));
  const on = (now: OnBench, string: number) =>
    tuned(restring, after(restring, firm(restring, now, string), thread(restring, string)), string);
  let now = started(restring);
  const blocked = anchor === 'double-locking';
  if (blocked) now = does(restring, now, { do: 'nut', on: false }, { do: 'block', on: true });
  if (blocked || anchor === 'wrap-and-tuck') now = all.reduce(on, all.reduce(off, now));
  else now = all.reduce((then, string) => on(off(then, string), string), now);
  for (const string of all) {
    now = tuned(restring, after(restring, now, { do: 'press', string }), string);
    for (let round = 0; round < 12 && costs(restring, now, string) > 4; round++)
      now = tuned(restring, after(restring, now, { do: 'stretch', string }), string);
    now = does(restring, now, { do: 'judge', string }, { do: 'trim', string });
  }
  if (blocked) now = after(restring, now, { do: 'block', on: false });
  for (let pass = 0; pass < 6; pass++) now = all.reduce((then, string) => tuned(restring, then, string), now);
  if (!blocked) return now;
  now = after(restring, now, { do: 'nut', on: true });
  for (let pass = 0; pass < 6; pass++) now = all.reduce((then, string) => tuned(restring, then, string, 'fine'), now);
  return now;
}
/** The screw of its peg set until that turns smoothly and holds. */
function firm(restring: Restring, from: OnBench, string: number): OnBench {
  let now = from;
  for (let eighth = 0; eighth < 12; eighth++) {
    const feel = pegFeel(restring, now, string);
    if (feel === null || feel === 'firm') break;
    now = after(restring, now, { do: 'snug', string, eighths: feel === 'light' ? 1 : -1 });
  }
  return now;
}

const costs = (restring: Restring, now: OnBench, string: number) => nextCosts(woundAt(now, string), longerOn(restring, now, string));

/** About what a turn of a fine tuner brings. */
const FINE_CENTS = 60;
