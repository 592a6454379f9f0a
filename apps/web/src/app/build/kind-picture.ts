import { instrumentOf } from '@gold-peg/craft/archetypes';
import { firstLaidOut } from '@gold-peg/craft/gauges';
import { type Instrument } from '@gold-peg/craft/instrument';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { madeOf, setsFor } from '@gold-peg/craft/strings';
import { lanesOf, type Lane } from '../lane/lane';

export interface KindPicture {
  instrument: Instrument;
  lanes: readonly Lane[];
  plans: readonly (WindPlan | null)[];
  done: readonly boolean[];
  laneCentres: readonly number[];
}

/** What the headstock picture of an archetype needs, strung with the set that fits its nut. */
export const kindPicture = (archetypeId: string, height: number): KindPicture => pictureOf(instrumentOf(archetypeId), height);

/** The same of any instrument. */
export function pictureOf(instrument: Instrument, height: number): KindPicture {
  const slots = instrument.strings.map(({ slotWidth }) => slotWidth);
  const set = firstLaidOut(setsFor(instrument.family, instrument.strings.length), slots, () => 0);
  const made = set === null ? [] : madeOf(set);
  const strings = instrument.strings.map((_, index) => made[index] ?? null);
  const lanes = lanesOf(instrument, strings);
  const lying = (index: number) => (instrument.hand === 'left' ? lanes.length - 1 - index : index);
  return {
    instrument,
    lanes,
    plans: lanes.map(({ index, string }) => (string === null ? null : windString({ instrument, index, string }))),
    done: lanes.map(() => true),
    laneCentres: lanes.map((_, index) => (height * (lying(index) + 0.5)) / lanes.length),
  };
}
