import { FormArray, FormControl, FormGroup } from '@angular/forms';
import type { HouseHours, OwnHours } from '@gold-peg/contract/day';
import { houseHours } from '@gold-peg/contract/day';
import type { Percentile } from '@gold-peg/craft/day';
import { FAMILIES, type Family } from '@gold-peg/craft/string-kinds';
import { heldTo } from '../form';
import { areHours, readStretches, sayStretches, type Stretches } from './stretches';

const weekOf = (week: readonly Stretches[]) =>
  new FormArray(week.map((day) => new FormControl(sayStretches(day), { nonNullable: true, validators: areHours })));
const readWeek = (week: FormArray<FormControl<string>>): Stretches[] => week.getRawValue().map((text) => readStretches(text) ?? []);

export type OwnForm = ReturnType<typeof ownForm>;
function ownForm(personId: string, hours: HouseHours) {
  const own = hours.people.find((each) => each.personId === personId);
  return new FormGroup({
    personId: new FormControl(personId, { nonNullable: true }),
    /** Has hours that are not those of the house. */
    own: new FormControl((own?.week ?? null) !== null, { nonNullable: true }),
    week: weekOf(own?.week ?? hours.week),
    away: new FormControl([...(own?.away ?? [])], { nonNullable: true }),
    can: new FormControl<Family[]>([...(own?.can ?? FAMILIES)], { nonNullable: true }),
  });
}

/** Everything that can be said of the hours of a house, for these people. */
export function hoursForm(hours: HouseHours, personIds: readonly string[]) {
  const { shape } = houseHours;
  return new FormGroup({
    zone: new FormControl(hours.zone, { nonNullable: true, validators: heldTo(shape.zone) }),
    week: weekOf(hours.week),
    closed: new FormControl([...hours.closed], { nonNullable: true }),
    percentile: new FormControl<Percentile>(hours.percentile, { nonNullable: true }),
    counterPercent: new FormControl<number | null>(Math.round(100 * hours.counterShare)),
    looksAgainHours: new FormControl<number | null>(hours.looksAgainHours, heldTo(shape.looksAgainHours)),
    people: new FormArray(personIds.map((id) => ownForm(id, hours))),
  });
}
export type HoursForm = ReturnType<typeof hoursForm>;

/** What was typed, as the house keeps it: of people only what differs from the house. */
export function readHours(form: HoursForm, before: HouseHours): HouseHours {
  const { people, counterPercent, week: _week, ...rest } = form.getRawValue();
  const here = new Set(people.map(({ personId }) => personId));
  const typed = form.controls.people.controls.map(({ controls: { personId, own, week, away, can } }): OwnHours => ({
    personId: personId.value,
    week: own.value ? readWeek(week) : null,
    away: away.value,
    can: can.value.length === FAMILIES.length ? null : can.value,
  }));
  return {
    ...rest,
    week: readWeek(form.controls.week),
    counterShare: counterPercent === null ? Number.NaN : counterPercent / 100, // what is left empty is no share, and is refused as such
    people: [
      ...before.people.filter(({ personId }) => !here.has(personId)), // who is away for good keeps what was said
      ...typed.filter(({ week, away, can }) => week !== null || away.length > 0 || can !== null),
    ],
  };
}
