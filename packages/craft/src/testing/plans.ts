import { instrumentOf } from '../archetypes/index.js';
import type { Instrument } from '../instrument/index.js';
import type { LayeredChoices } from '../methods/index.js';
import { windString, type ClampPlan, type PostPlan, type WindPlan } from '../procedure/index.js';
import { madeOf, setsFor, type StringProperties } from '../strings/index.js';
import type { Metres } from '../units/index.js';

/** Strings of the first set for an instrument, or of the one whose name begins so. */
export function stringsOf(instrument: Instrument, setName?: string): StringProperties[] {
  const sets = setsFor(instrument.family, instrument.strings.length);
  const set = sets.find(({ name }) => setName === undefined || name.startsWith(setName));
  return set === undefined ? [] : madeOf(set);
}

export interface Asked {
  set?: string;
  choices?: LayeredChoices;
  cut?: Metres;
  instrument?: Instrument;
  postThicker?: Metres;
  /** Turns that were counted. */
  turns?: number;
}

/** How a string of an archetype is wound. @throws Error where it has no plan. */
export function anyPlan(id: string, number: number, { set, instrument = instrumentOf(id), ...more }: Asked = {}): WindPlan {
  const string = stringsOf(instrument, set)[number - 1];
  const plan = string === undefined ? null : windString({ instrument, index: number - 1, string, ...more });
  if (plan === null) throw new Error('no plan');
  return plan;
}

/** Round a post. */
export function planOf(id: string, number: number, asked: Asked = {}): PostPlan {
  const plan = anyPlan(id, number, asked);
  if (plan.kind !== 'post') throw new Error('not wound round a post');
  return plan;
}

/** At a clamp. */
export function clampOf(number: number, asked: Asked = {}): ClampPlan {
  const plan = anyPlan('electric-headless', number, asked);
  if (plan.kind !== 'clamp') throw new Error('not clamped');
  return plan;
}
