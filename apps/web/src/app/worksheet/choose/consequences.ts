import type { Instrument } from '@gold-peg/craft/instrument';
import { bendOf } from './bend-of';
import { noteAtOrBelow, toMillimetres, type Metres } from '@gold-peg/craft/units';
import type { Choice } from './choose-rows';

export interface Consequence {
  about: string;
  says: string;
  grave: boolean;
}

/** Less than a feeler gauge can tell. */
const LEAST_SHOWN_MM = 0.005;

/** What follows from a choice, in words, with what to do and who should do it. */
export function consequencesOf(instrument: Instrument, choice: Choice, length: (value: Metres, digits?: number) => string): Consequence[] {
  return [relief(choice, length), feel(instrument, choice, length), slots(choice), reserve(instrument, choice), bridge(instrument, choice)];
}

function relief({ relief: estimate }: Choice, length: (value: Metres, digits?: number) => string): Consequence {
  if (estimate === null) return { about: 'relief', says: 'nothing is known of the old set: measure relief before and after', grave: false };
  if (Math.abs(toMillimetres(estimate.likely)) < LEAST_SHOWN_MM)
    return { about: 'relief', says: 'as before: the pull hardly changes', grave: false };
  const sign = estimate.likely < 0 ? '−' : '+';
  const range = [estimate.low, estimate.high].map((value) => toMillimetres(value).toFixed(2).replace('-', '−')).join(' to ');
  const much = Math.abs(toMillimetres(estimate.likely)) > 0.1;
  const what = `${sign}${length(Math.abs(estimate.likely) as Metres, 2)} (${range} mm), an estimate`;
  return {
    about: 'relief',
    says: `${what}: ${much ? 'measure it, and leave the truss rod to a qualified repairer' : 'leave it'}`,
    grave: much,
  };
}

/** The second string stands for all: it is the one that is bent most. */
const FELT = 1;

function feel(instrument: Instrument, { rows }: Choice, length: (value: Metres, digits?: number) => string): Consequence {
  const row = rows[Math.min(FELT, rows.length - 1)];
  const now = row === undefined || row.lane.string === null ? null : bendOf(instrument, row.lane, row.lane.string);
  if (row === undefined || now === null) return { about: 'feel', says: 'too soft to be bent by a semitone', grave: false };
  const before = row.old === null ? null : bendOf(instrument, row.lane, row.old);
  const was = before === null ? '' : `, was ${before.force.toFixed(1)} N`;
  return {
    about: 'feel',
    says: `string ${row.lane.number} bends a semitone in ${length(now.travel)} with ${now.force.toFixed(1)} N${was}`,
    grave: false,
  };
}

function slots({ rows }: Choice): Consequence {
  const tight = rows.filter(({ fit }) => fit.kind === 'binds');
  const loose = rows.filter(({ fit }) => fit.kind === 'loose');
  if (tight.length > 0) {
    const which = tight.map(({ lane, fit }) => `${lane.number} by ${toMillimetres(fit.missing).toFixed(2)} mm`).join(', ');
    return {
      about: 'nut slots',
      says: `too narrow for string ${which}: it may bind; try whether it slides, filing is a repairer’s work`,
      grave: true,
    };
  }
  if (loose.length > 0)
    return {
      about: 'nut slots',
      says: `wide for string ${loose.map(({ lane }) => lane.number).join(', ')}: listen for a buzz on the open string`,
      grave: false,
    };
  return { about: 'nut slots', says: 'every string has room to slide', grave: false };
}

function reserve(instrument: Instrument, { tightest }: Choice): Consequence {
  if (tightest === null) return { about: 'reserve', says: '', grave: false };
  const { lane, load, safeNote } = tightest;
  const breaks = noteAtOrBelow(load.breakingPitch, instrument.a4);
  const grave = load.semitonesToSafe < 0;
  const says = grave
    ? `string ${lane.number} is past its safe share at ${lane.place.note}: breaks at ${breaks}, safe only to ${safeNote}`
    : `least at string ${lane.number}: breaks at ${breaks}, safe to ${safeNote}`;
  return { about: 'reserve', says, grave };
}

function bridge({ bridge: { anchor } }: Instrument, { comparison }: Choice): Consequence {
  const change = comparison?.total.percent ?? 0;
  if (anchor === 'resting-vibrato' && change > 1)
    return { about: 'bridge', says: 'more pull may lift it off the body: turn the claw screws in until it rests', grave: true };
  if (anchor === 'resting-vibrato') return { about: 'bridge', says: 'goes on resting on the body', grave: false };
  if (anchor === 'hooked-tailpiece')
    return { about: 'bridge', says: 'loose, it stands by the strings alone: mark its place, one string at a time', grave: false };
  return { about: 'bridge', says: 'fixed: nothing moves', grave: false };
}
