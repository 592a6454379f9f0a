import { FORCED_REASONS, STRIPPING_REASONS, type RunSchools, type School } from '@gold-peg/craft/bench-run';
import type { Stripping } from '@gold-peg/craft/methods';
import { CHOICES, LAYER_NAMES } from '../ways/ways-form';

/** Which school of taking strings off is in force, whose it is, and both reasons where they disagree. */
export function saySchool({ stripping, order }: RunSchools): string {
  const { value, forced, overruled } = stripping;
  const words = `Strings come off ${CHOICES.stripping.words[value]}, ${CHOICES.stringOrder.words[order.value]}`;
  if (forced === null) return `${words} (${whose(stripping)}): ${STRIPPING_REASONS[value]}.`;
  const instead =
    overruled === null ? '' : ` ${CHOICES.stripping.words[overruled]} was chosen (${STRIPPING_REASONS[overruled]}), but cannot be here.`;
  return `${words}, as this bridge asks for: ${FORCED_REASONS[forced]}.${instead}`;
}

const whose = ({ from }: School<Stripping>): string => (from === 'built-in' || from === 'forced' ? 'built in' : LAYER_NAMES[from]);
