import { NUT, SAFE_SHARE_OF_BREAKING } from '@gold-peg/craft/constants';
import { seatString } from '@gold-peg/craft/gauges';
import type { Instrument } from '@gold-peg/craft/instrument';
import { slotFit } from '@gold-peg/craft/nut';
import type { MassBasis, StringProperties } from '@gold-peg/craft/strings';
import type { Bend } from '@gold-peg/craft/tension';
import { strungOf, type Seat } from '@gold-peg/craft/tuning';
import { fromMillimetres, noteAtOrBelow, type Metres } from '@gold-peg/craft/units';
import type { Lane } from '../../lane/lane';
import type { SayLong, WhyLine } from './why-line';
import { pullReason } from './pull-reason';

/** Why a string pulls so much, how near it is to breaking, and whether its slot has room. */
export function chooseReasons(
  lane: Lane,
  string: StringProperties,
  instrument: Instrument,
  { slots, long }: { slots: readonly (Metres | null)[]; long: SayLong },
): WhyLine[] {
  const seat = strungOf(instrument, slots).seats[lane.index];
  if (seat === undefined) return [];
  const { load, bend } = seatString(string, seat);
  const slot = seat.slotWidth ?? lane.place.slotWidth;
  const fit = slotFit(slot, string.gauge);
  const measured = seat.slotMeasured === true ? '' : ', typical of its kind and never measured here';
  return [
    massReason(string, long),
    pullReason(load, lane, string, instrument, long),
    {
      what: 'reserve',
      value: `${(100 * load.reserve).toFixed(0)} %`,
      rule: '1 − pull / breaking load; load is carried by the core alone',
      from: `pull ${load.pull.toFixed(1)} N, breaks at ${string.breakingLoad.toFixed(0)} N, which is ${noteAtOrBelow(load.breakingPitch, instrument.a4)}`,
    },
    {
      what: 'safe to',
      value: noteAtOrBelow(load.safePitch, instrument.a4),
      rule: 'the highest note that keeps the pull under the safe share of the breaking load',
      from: `safe share ${(100 * SAFE_SHARE_OF_BREAKING.value).toFixed(0)} % (${SAFE_SHARE_OF_BREAKING.source}); ${load.semitonesToSafe.toFixed(1)} semitones above ${lane.place.note}`,
    },
    ...bendReason(bend, string, seat, long),
    {
      what: 'nut slot',
      value: { fits: 'fits', binds: 'may bind', loose: 'wide' }[fit.kind],
      rule: `slot width − gauge, wanted ${long(fromMillimetres(NUT.leastSlotRoom.value), 2)} to ${long(fromMillimetres(NUT.mostSlotRoom.value), 2)}`,
      from: `slot ${long(slot, 2)}${measured} − string ${long(string.gauge, 2)} = ${long(fit.room, 2)}`,
    },
  ];
}

function bendReason(bend: Bend | null, string: StringProperties, { path }: Seat, long: SayLong): WhyLine[] {
  if (bend === null) return [];
  return [
    {
      what: 'feel',
      value: `${bend.force.toFixed(1)} N`,
      rule: 'force that bends the note at fret 12 up a semitone: 2 T sin θ, with T grown by EA times the stretch',
      from: `${long(bend.travel)} aside, ${bend.centsPerMillimetre.toFixed(0)} cents per mm there; EA ${(string.stiffnessAtPitch / 1000).toFixed(1)} kN, shared by ${long(path, 0)} of string that slides freely`,
    },
  ];
}

function massReason(string: StringProperties, long: SayLong): WhyLine {
  const { basis, core, gauge, bandPercent } = string;
  return {
    what: 'mass',
    value: `${(1000 * string.linearDensity).toFixed(3)} g/m`,
    rule: basis.weighed ? 'what an offcut weighed, over its length: it wins over what the gauge would give' : massRule(basis),
    from: `gauge ${long(gauge, 3)}${core === null ? '' : `, core ${long(core, 3)} (${CORE_WORDS[basis.core]})`}; good to ±${bandPercent} %`,
  };
}

const CORE_WORDS: Readonly<Record<MassBasis['core'], string>> = {
  whole: 'all of it',
  given: 'as the table says',
  usual: 'usual for the gauge',
  'from-mass': 'the one that would weigh as much',
};

function massRule({ winding }: MassBasis): string {
  if (winding === null) return 'ρ π d² / 4 of the whole section';
  const { finish, layers, silk } = winding;
  const under = silk ? 'silk floss, then ' : '';
  const wires = layers === 1 ? 'one close-wound layer' : `${layers} close-wound layers`;
  const rule = `core, and ${under}${wires} between core and gauge: (π²/4) ρ w (seat + w) for each of round wire`;
  if (finish === 'flat') return `${rule}; the outermost a ribbon of thickness t: π (seat + t) t, less 2 % at its edges`;
  return finish === 'half-round' ? `${rule}; the outermost less the segment that was ground off it (Pappus)` : rule;
}
