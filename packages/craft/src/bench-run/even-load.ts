import { STRING_ORDERS, type StringOrder } from '../methods/index.js';
import { newtons, type Newtons } from '../units/index.js';
import type { StringStep } from './next-step.js';
import { stringOrder } from './string-order.js';

/** What pulls at the two halves of a bridge once a step is done. */
export interface SideLoad {
  /** Zero-based. */
  string: number;
  firstPass: boolean;
  treble: Newtons;
  bass: Newtons;
}

type UpStep = Pick<StringStep, 'string' | 'firstPass'>;

/** A tone under its note a string pulls by the square of that ratio less. */
export const A_TONE_UNDER = -200;
const SHARE_OF_FIRST_PASS = 2 ** ((2 * A_TONE_UNDER) / 1200);

/** Pulls of both halves from step to step, where all strings come up together. `pulls`: at pitch, string 1 first; a middle string pulls at both halves. */
export function sideLoads(steps: readonly UpStep[], pulls: readonly Newtons[]): SideLoad[] {
  let now = pulls.map(() => 0);
  const middle = (pulls.length - 1) / 2;
  const half = (isOf: (index: number) => boolean) =>
    newtons(now.reduce((sum, pull, index) => sum + (index === middle ? pull / 2 : isOf(index) ? pull : 0), 0));
  return steps.map(({ string, firstPass }) => {
    now = now.with(string, (pulls[string] ?? 0) * (firstPass ? SHARE_OF_FIRST_PASS : 1));
    return { string, firstPass, treble: half((index) => index < middle), bass: half((index) => index > middle) };
  });
}

/** By how much the halves differ at the worst step. */
export const mostApart = (loads: readonly SideLoad[]): Newtons =>
  newtons(loads.reduce((most, { treble, bass }) => Math.max(most, Math.abs(treble - bass)), 0));

/** The order that keeps the halves nearest to each other, and by how much they differ then; the first of those that do as well. */
export function evenest(pulls: readonly Newtons[]): { order: StringOrder; apart: Newtons } {
  const all = STRING_ORDERS.map((order) => {
    const strings = stringOrder(order, pulls.length);
    const steps = [true, false].flatMap((firstPass) => strings.map((string) => ({ string, firstPass })));
    return { order, apart: mostApart(sideLoads(steps, pulls)) };
  });
  return all.reduce((best, each) => (each.apart < best.apart ? each : best));
}
