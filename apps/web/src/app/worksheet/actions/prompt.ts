import type { RunStep } from '@gold-peg/craft/bench-run';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { say, type Measures } from '../../preferences/measures';
import type { Lane } from '../../lane/lane';
import { laneNumbers } from '../wind-words';

/** The few numbers of a string at its post that have to be read from two metres. */
export interface BigNumber {
  label: string;
  value: string;
}

export function bigNumbers(lane: Lane, plan: WindPlan, measures: Measures, leaves: number): BigNumber[] {
  const { measure, turns } = laneNumbers(lane, { plan, wound: null, measures, leaves });
  const cut = { label: plan.kind === 'post' ? 'cut past the post' : 'cut past the clamp', value: say(measures.length(plan.cut)) };
  if (plan.kind === 'clamp')
    return [{ label: 'slack', value: measure }, cut, { label: 'screw', value: `${plan.screw.turns.toFixed(0)} turns` }];
  return [
    { label: 'turns', value: turns },
    { label: 'slack', value: measure },
    ...(plan.bend === null ? [] : [{ label: 'bend past the post', value: say(measures.length(plan.bend)) }]),
    cut,
    { label: 'turn it', value: plan.direction },
  ];
}

/** What is said aloud of the step in hand. At Wind the numbers, elsewhere what to do. */
export function spokenPrompt(lane: Lane, step: Pick<RunStep, 'does'> | null, numbers: readonly BigNumber[]): string {
  const head = `String ${lane.number}, ${lane.letter}.`;
  if (numbers.length > 0) return `${head} ${numbers.map(({ label, value }) => `${label}: ${aloud(value)}`).join('. ')}.`;
  return step === null ? head : `${head} ${step.does}`;
}

const FRACTIONS: Readonly<Record<string, string>> = { '¼': ' and a quarter', '½': ' and a half', '¾': ' and three quarters' };

/** Fractions and short units as a voice reads them. */
const aloud = (text: string): string =>
  text
    .replace(/^([¼½¾])/, '0$1')
    .replace(/[¼½¾]/g, (fraction) => FRACTIONS[fraction] ?? '')
    .replace(/\bmm\b/g, 'millimetres')
    .replace(/\bin\b$/g, 'inches');
