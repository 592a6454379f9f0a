import type { Comparison, Tilt } from '@gold-peg/craft/gauges';
import type { Estimate } from '@gold-peg/craft/neck';
import type { Strung } from '@gold-peg/craft/tuning';
import { noteAtOrBelow, toMillimetres, type Metres } from '@gold-peg/craft/units';

export interface Consequence {
  about: string;
  says: string;
  grave: boolean;
}

type SayLength = (value: Metres, digits?: number) => string;

/** Less than a feeler gauge can tell. */
const LEAST_SHOWN_MM = 0.005;
/** More than this is felt and seen on a straightedge. */
const MUCH_RELIEF_MM = 0.1;

/** What follows from a choice, in words, with what to do and who should do it. `neckMeasured`: how often it was seen how this neck gives. */
export function consequencesOf(strung: Strung, comparison: Comparison, length: SayLength, neckMeasured = 0): Consequence[] {
  return [
    neck(comparison, length, neckMeasured),
    feel(comparison, length),
    slots(comparison, length),
    reserve(strung, comparison),
    bridge(comparison, length),
  ];
}

function neck({ relief, action }: Comparison, length: SayLength, measured: number): Consequence {
  const about = 'neck';
  if (relief === null || action === null)
    return { about, says: 'nothing is known of the old set: measure relief before and after', grave: false };
  if (Math.abs(toMillimetres(relief.likely)) < LEAST_SHOWN_MM) return { about, says: 'as before: the pull hardly changes', grave: false };
  const from = measured === 0 ? '' : ` from ${measured} measured here`;
  const much = Math.abs(toMillimetres(relief.likely)) > MUCH_RELIEF_MM;
  const advice = much ? 'measure, and leave the truss rod to a qualified repairer' : 'leave it';
  return { about, says: `relief ${band(relief, length)}, action at 12 ${band(action, length)}, estimates${from}: ${advice}`, grave: much };
}

function band({ low, likely, high }: Estimate, length: SayLength): string {
  return `${likely < 0 ? '' : '+'}${length(likely, 2)} (${length(low, 2)} to ${length(high, 2)})`;
}

/** The second string stands for all: it is the one that is bent most. */
const FELT = 1;
/** Less than this nobody feels, N. */
const LEAST_FELT = 0.05;

/** The string that stands for all, unless it stays as it was where others change: then the one that changes most. */
function feltString(strings: Comparison['strings']): number {
  const changes = strings.map(({ before, after }) => Math.abs((after.bend?.force ?? 0) - (before?.bend?.force ?? after.bend?.force ?? 0)));
  const most = Math.max(...changes);
  const usual = Math.min(FELT, strings.length - 1);
  return (changes[usual] ?? 0) < LEAST_FELT && most >= LEAST_FELT ? changes.indexOf(most) : usual;
}

function feel({ strings }: Comparison, length: SayLength): Consequence {
  const index = feltString(strings);
  const now = strings[index]?.after.bend ?? null;
  if (now === null) return { about: 'feel', says: 'a semitone is out of reach: told by pull alone', grave: false };
  const before = strings[index]?.before?.bend ?? null;
  const was = before === null ? '' : `, was ${before.force.toFixed(1)} N`;
  return {
    about: 'feel',
    says: `string ${index + 1} bends a semitone in ${length(now.travel)} with ${now.force.toFixed(1)} N${was}`,
    grave: false,
  };
}

function slots({ strings }: Comparison, length: SayLength): Consequence {
  const about = 'nut slots';
  const fits = strings.map(({ fit, seat }) => ({ fit, typical: seat.slotMeasured !== true }));
  if (fits.every(({ fit }) => fit === null)) return { about, says: 'not measured: try whether each string slides', grave: false };
  const numbers = (kind: 'binds' | 'loose') =>
    fits.flatMap(({ fit, typical }, index) => (fit?.kind === kind ? [{ number: index + 1, missing: fit.missing, typical }] : []));
  const tight = numbers('binds');
  const loose = numbers('loose');
  if (tight.length > 0) {
    const which = tight.map(({ number, missing }) => `${number} by ${length(missing, 2)}`).join(', ');
    const measured = tight.some(({ typical }) => !typical);
    return measured
      ? { about, says: `too narrow for string ${which}: it may bind; try whether it slides, filing is a repairer’s work`, grave: true }
      : { about, says: `typical slots, never measured here, would be narrow for string ${which}: try whether each slides`, grave: false };
  }
  if (loose.length > 0)
    return {
      about,
      says: `wide for string ${loose.map(({ number }) => number).join(', ')}: listen for a buzz on the open string`,
      grave: false,
    };
  return { about, says: 'every string has room to slide', grave: false };
}

function reserve({ a4 }: Strung, { strings, tightest }: Comparison): Consequence {
  const about = 'reserve';
  const row = strings[tightest];
  if (row === undefined) return { about, says: '', grave: false };
  const { load } = row.after;
  const breaks = noteAtOrBelow(load.breakingPitch, a4);
  const safe = noteAtOrBelow(load.safePitch, a4);
  if (load.reserve <= 0)
    return { about, says: `string ${tightest + 1} breaks before it is at ${row.seat.note}: it holds to ${breaks} at most`, grave: true };
  if (load.semitonesToSafe < 0)
    return {
      about,
      says: `string ${tightest + 1} is past its safe share at ${row.seat.note}: breaks at ${breaks}, safe only to ${safe}`,
      grave: true,
    };
  return { about, says: `least at string ${tightest + 1}: breaks at ${breaks}, safe to ${safe}`, grave: false };
}

const BRIDGE: Readonly<Record<Tilt, Omit<Consequence, 'about'>>> = {
  fixed: { says: 'fixed: nothing moves', grave: false },
  'stands-loose': { says: 'loose, it stands by the strings alone: mark its place, one string at a time', grave: false },
  'rests-on': { says: 'goes on resting on the body', grave: false },
  'may-lift': { says: 'more pull may lift it off the body: turn the claw screws in until it rests', grave: true },
  'as-before': { says: 'floats as before: the pull hardly changes', grave: false },
  'toward-neck': { says: 'more pull tips it toward the neck and lifts the action: claw screws in, or one more spring', grave: true },
  'into-body': { says: 'less pull lets it sink into the body: claw screws out, then balance it', grave: true },
  unknown: { says: 'it floats, and the old set is not known: note where it stands before a string comes off', grave: false },
};

function bridge({ tilt, balance }: Comparison, length: SayLength): Consequence {
  const about = 'bridge';
  const plain = { about, ...BRIDGE[tilt] };
  if (balance === null || !plain.grave) return plain;
  const { turns, tilt: angle, rise, action } = balance;
  if (!turns.ok)
    return turns.problem.kind === 'too-few-springs'
      ? { about, says: 'so few springs cannot hold it: the claw would leave its screws; hook in one more', grave: true }
      : { about, says: 'so many springs pull these strings back whatever the claw does: unhook one', grave: true };
  const { low, likely, high } = turns.value;
  const screws = `claw about ${Math.abs(likely).toFixed(1)} turns ${likely < 0 ? 'out' : 'in'} (${Math.min(Math.abs(low), Math.abs(high)).toFixed(1)} to ${Math.max(Math.abs(low), Math.abs(high)).toFixed(1)})`;
  if (tilt === 'may-lift') return { about, says: `more pull may lift it off the body: ${screws}, until it rests`, grave: true };
  const degrees = Math.abs((angle * 180) / Math.PI).toFixed(1);
  const edge = `back edge ${length(Math.abs(rise) as Metres, 1)} ${rise > 0 ? 'up' : 'down'}, action ${action > 0 ? '+' : '−'}${length(Math.abs(action) as Metres, 2)}`;
  const way = tilt === 'toward-neck' ? 'tips' : 'sinks';
  return {
    about,
    says: `${way} ${degrees}° ${tilt === 'toward-neck' ? 'toward the neck' : 'into the body'} if left: ${edge}; ${screws}`,
    grave: true,
  };
}
