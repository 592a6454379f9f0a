import { fromInches, fromMillimetres, toInches, toMillimetres, type Metres } from '@gold-peg/craft/units';

/** How a rule is marked: its unit, its length in that unit, its ticks, and the steps of the keys. */
export interface RuleMarking {
  unit: 'mm' | 'in';
  longest: number;
  ticks: readonly { at: number; height: number; label: string }[];
  keyStep: number;
  pageStep: number;
  digits: number;
  toLength(value: number): Metres;
  fromLength(length: Metres): number;
}

/** A rule reaches so much past the mark of the house, and never less than a thumb's length. */
const REACH = 1.45;
const LEAST_MM = 60;
/** Longer rules are marked every second millimetre. */
const COARSE_FROM_MM = 160;

export function markRule(cut: Metres, unit: 'mm' | 'in'): RuleMarking {
  return unit === 'mm' ? inMillimetres(cut) : inInches(cut);
}

function inMillimetres(cut: Metres): RuleMarking {
  const longest = Math.max(LEAST_MM, Math.ceil((toMillimetres(cut) * REACH) / 20) * 20);
  const step = longest > COARSE_FROM_MM ? 2 : 1;
  const labelEvery = longest > COARSE_FROM_MM ? 20 : 10;
  return {
    unit: 'mm',
    longest,
    ticks: steps(longest / step).map((index) => {
      const at = index * step;
      return { at, height: at % 10 === 0 ? 22 : at % 5 === 0 ? 14 : 8, label: at % labelEvery === 0 ? String(at) : '' };
    }),
    keyStep: 1,
    pageStep: 10,
    digits: 1,
    toLength: fromMillimetres,
    fromLength: toMillimetres,
  };
}

const SIXTEENTHS = 16;

function inInches(cut: Metres): RuleMarking {
  const longest = Math.max(3, Math.ceil(toInches(cut) * REACH));
  return {
    unit: 'in',
    longest,
    ticks: steps(longest * SIXTEENTHS).map((index) => {
      const height = [16, 8, 4, 2].findIndex((part) => index % part === 0);
      return {
        at: index / SIXTEENTHS,
        height: [22, 16, 12, 8][height] ?? 5,
        label: index % SIXTEENTHS === 0 ? String(index / SIXTEENTHS) : '',
      };
    }),
    keyStep: 1 / SIXTEENTHS,
    pageStep: 0.5,
    digits: 2,
    toLength: fromInches,
    fromLength: toInches,
  };
}

const steps = (count: number) => Array.from({ length: Math.floor(count) + 1 }, (_, index) => index);
