import { FORCED_REASONS, STRETCH_REASONS, STRIPPING_REASONS, type RunSchools, type School } from '@gold-peg/craft/bench-run';
import {
  METHOD_LAYERS,
  type LayeredChoices,
  type MethodChoices,
  type MethodLayer,
  type Stretching,
  type Stripping,
} from '@gold-peg/craft/methods';
import { CHOICES, LAYER_NAMES } from '../../ways';

/** Which school of taking strings off is in force, whose it is, and both reasons where somebody else would do it otherwise. */
export function saySchool({ stripping, order }: RunSchools, choices: LayeredChoices): string {
  const head = `Strings come off ${CHOICES.stripping.words[stripping.value]}, ${CHOICES.stringOrder.words[order.value]}`;
  const reasonOf = (value: Stripping) => STRIPPING_REASONS[value];
  return say(
    head,
    stripping,
    reasonOf,
    (value) => CHOICES.stripping.words[value],
    otherWish(choices, stripping, ({ stripping: wish }) => wish),
  );
}

/** The same of stretching. */
export function sayStretching(stretching: School<Stretching>, choices: LayeredChoices): string {
  const wordsOf = (value: Stretching) => CHOICES.stretching.words[value];
  return say(
    `New strings are ${wordsOf(stretching.value)}`,
    stretching,
    (value) => STRETCH_REASONS[value],
    wordsOf,
    otherWish(choices, stretching, (of) => of.stretching),
  );
}

interface Wish<T> {
  layer: MethodLayer;
  value: T;
}

/** The next one who chose otherwise than what is in force; null where all agree or nobody else chose. */
function otherWish<T>(choices: LayeredChoices, { value, from }: School<T>, pick: (of: MethodChoices) => T | undefined): Wish<T> | null {
  for (const layer of METHOD_LAYERS) {
    const wish = pick(choices[layer] ?? {});
    if (layer !== from && wish !== undefined && wish !== value) return { layer, value: wish };
  }
  return null;
}

function say<T>(
  head: string,
  school: School<T>,
  reasonOf: (value: T) => string,
  wordsOf: (value: T) => string,
  other: Wish<T> | null,
): string {
  const { value, forced, overruled, from } = school;
  if (forced !== null) {
    const instead = overruled === null ? '' : ` ${wordsOf(overruled)} was chosen (${reasonOf(overruled)}), but cannot be here.`;
    return `${head}, as this instrument asks for: ${FORCED_REASONS[forced]}.${instead}`;
  }
  const whose = from === 'built-in' || from === 'forced' ? 'built in' : LAYER_NAMES[from];
  const against =
    other === null ? '' : ` ${capital(LAYER_NAMES[other.layer])} would have it ${wordsOf(other.value)}: ${reasonOf(other.value)}.`;
  return `${head} (${whose}): ${reasonOf(value)}.${against}`;
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
