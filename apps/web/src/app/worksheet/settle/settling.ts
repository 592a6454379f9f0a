import { computed, inject, Injectable } from '@angular/core';
import { isSoft, tuningWays } from '@gold-peg/craft/methods';
import { expectedDrift, judgeRounds, type DriftForecast, type RoundsJudged } from '@gold-peg/craft/settle';
import { cents } from '@gold-peg/craft/units';
import { driftOf, dropsOf, pulledSince } from '@gold-peg/craft/worksheet';
import { WorksheetDesk } from '../desk';
import { placesOfSlip, saySettling, type SettlingWords } from './settle-words';

/** One string that settles: what its rounds cost, what they say, and how it moves by itself where it is of a kind that does. */
export interface SettlingString {
  drops: readonly number[];
  judged: RoundsJudged | null;
  /** How it moves by its kind and, once it was read, by its own readings; null where its clock does not run. */
  expected: DriftForecast | null;
  /** Nylon, fluorocarbon, gut and basses on floss go on moving for a day. */
  soft: boolean;
  drift: DriftForecast | null;
  /** What its rounds say, in words; null where none was read. */
  says: SettlingWords | null;
  /** When it first bore pull, ms; null where that was not noted. */
  since: number | null;
}

/** How the strings of this job settle; what was computed of the same readings before is not computed again. */
@Injectable()
export class Settling {
  private readonly desk = inject(WorksheetDesk);
  private readonly known = new Map<string, unknown>();

  readonly ways = computed(() => tuningWays(this.desk.choices()));
  readonly strings = computed<readonly SettlingString[]>(() => {
    const sheet = this.desk.sheet();
    const { tolerance, hold } = this.ways();
    return this.desk.lanes().map(({ index, string, place }) => {
      const drops = dropsOf(sheet, index);
      const soft = string !== null && isSoft(string);
      const readings = soft ? driftOf(sheet, index) : [];
      const start = pulledSince(sheet, index);
      const judged = drops.length === 0 ? null : this.once([drops, tolerance], () => judgeRounds({ drops: drops.map(cents), tolerance }));
      const expected =
        soft && start !== null ? this.once([readings, hold, string.creep], () => expectedDrift(readings, hold, string.creep)) : null;
      const held = placesOfSlip(place.post.style, this.desk.instrument()?.bridge.anchor);
      return {
        drops,
        soft,
        judged,
        says: judged === null ? null : saySettling(drops, judged, { soft, held, tolerance }),
        drift: readings.some((reading) => reading.cents !== null) ? expected : null,
        expected,
        since: start === null ? null : Date.parse(start),
      };
    });
  });

  private once<T>(asked: unknown, compute: () => T): T {
    const key = JSON.stringify(asked);
    if (!this.known.has(key)) this.known.set(key, compute());
    return this.known.get(key) as T;
  }
}
