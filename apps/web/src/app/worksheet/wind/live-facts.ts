import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Metres } from '@gold-peg/craft/units';
import { degrees } from '../../preferences/measures';

export interface LiveFact {
  label: string;
  value: string;
  /** Needs a look: too low, or runs out. */
  low: boolean;
}

/** Less room than this to tune up or down is worth a warning, semitones. */
const LITTLE_ROOM = 1;
const GRAMS = 1000;

/** What the mark under the hand gives, as it moves. */
export function liveFacts(plan: WindPlan, length: (value: Metres, digits?: number) => string): LiveFact[] {
  const { room, offcut } = plan;
  const first: LiveFact[] =
    plan.kind === 'post'
      ? [
          plan.methods.turns === null
            ? { label: 'post turns', value: plan.wind.rotationTurns.toFixed(1), low: false }
            : { label: 'turns', value: Math.max(0, plan.wind.turns).toFixed(1), low: false },
          ...(plan.nut === null ? [] : [{ label: 'over the nut', value: degrees(plan.nut.vertical), low: plan.nut.low }]),
        ]
      : [
          { label: 'screw', value: `${length(plan.screw.used, 1)} used`, low: false },
          { label: 'left of it', value: length(plan.screw.left, 1), low: plan.screw.left < 0 },
        ];
  return [
    ...first,
    {
      label: 'tunes down',
      value: room.down.stops === 'slack-first' ? 'until slack' : `${room.down.semitones.toFixed(1)} semitones`,
      low: room.down.stops !== 'slack-first' && room.down.semitones < LITTLE_ROOM,
    },
    {
      label: 'tunes up',
      value: `${room.up.semitones.toFixed(1)}, ${room.up.stops === 'full' ? (plan.kind === 'post' ? 'post full' : 'screw ends') : 'reserve'}`,
      low: room.up.semitones < LITTLE_ROOM,
    },
    {
      label: 'offcut',
      value: offcut === null ? 'string too short' : `${length(offcut.length)}, ${(offcut.mass * GRAMS).toFixed(2)} g`,
      low: offcut === null,
    },
  ];
}
