import { computed, inject, Injectable } from '@angular/core';
import { printGauge } from '@gold-peg/craft/strings';
import {
  fromMillimetres,
  toInches,
  toKilogramsForce,
  toMillimetres,
  toPoundsForce,
  type Metres,
  type Newtons,
  type Radians,
} from '@gold-peg/craft/units';
import { Session } from '../session/session';

/** A number with its unit, apart, so that the number can be set large and the unit small. */
export interface Shown {
  value: string;
  unit: string;
}

/** Says lengths, pulls and gauges in the units of the person at the bench: the one edge where SI turns into something else. */
@Injectable({ providedIn: 'root' })
export class Measures {
  readonly preferences = inject(Session).preferences;

  readonly units = computed(() => ({ length: this.preferences().lengths, pull: this.preferences().pull }));
  /** A length at the bench: to the millimetre or to a hundredth of an inch. */
  length(length: Metres, digits = 0): Shown {
    return this.units().length === 'mm'
      ? { value: fixed(toMillimetres(length), digits), unit: 'mm' }
      : { value: fixed(toInches(length), digits + 2), unit: 'in' };
  }

  /** A gauge is said in thousandths of an inch, whatever lengths are said in: so do the packets. */
  gauge(gaugeMm: number): string {
    return printGauge(fromMillimetres(gaugeMm));
  }

  pullNumber(pull: Newtons): number {
    const { pull: unit } = this.units();
    return unit === 'N' ? pull : unit === 'kgf' ? toKilogramsForce(pull) : toPoundsForce(pull);
  }

  pull(pull: Newtons): Shown {
    const { pull: unit } = this.units();
    return { value: this.pullNumber(pull).toFixed(unit === 'N' ? 0 : 1), unit };
  }
}

/** With a true minus sign, and none before a nought. */
function fixed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

export const say = ({ value, unit }: Shown) => `${value} ${unit}`;
export const degrees = (angle: Radians) => `${fixed((angle * 180) / Math.PI, 1)}°`;

/** '1 turn', '2½ turns', '¾ turn'. */
export const sayTurns = (turns: number): string => `${turnsToQuarter(turns)} ${turns < 1.125 && turns >= 0.125 ? 'turn' : 'turns'}`;

/** Turns that lie on a post; of a lock, where it is less than one, to the tenth. */
export const turnsOn = (turns: number): string => (turns < 0.95 ? Math.max(0, turns).toFixed(1) : turnsToQuarter(turns));

const FRACTIONS: Readonly<Record<number, string>> = { 0: '', 1: '¼', 2: '½', 3: '¾' };

/** Turns as technicians say them: to the quarter. */
export function turnsToQuarter(turns: number): string {
  const quarters = Math.round(turns * 4);
  const whole = Math.floor(quarters / 4);
  const fraction = FRACTIONS[quarters - whole * 4] ?? '';
  return whole === 0 && fraction !== '' ? fraction : `${whole}${fraction}`;
}
