import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { fromMillimetres } from '@gold-peg/craft/units';
import { advise, compareFindings, GAUGES, measureOf } from '@gold-peg/craft/findings';
import { dropsOf, passed, STRING_STAGES, tellStory } from '@gold-peg/craft/worksheet';
import { Measures, say, turnsToQuarter } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { WorksheetDesk } from '../desk/worksheet-desk';
import { COURSE_NAMES, REFERRAL_NAMES, sayFinding, SEVERITY_NAMES } from '../look-over/finding-words';
import { sayRounds } from '../settle/settle-words';
import { STAGE_NAMES } from '../stage-rule/stage-names';

/** What was fitted and how, what is still open, and the hand-over that closes the job. */
@Component({
  selector: 'peg-hand-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, RouterLink, Caution],
  templateUrl: './hand-over.html',
  styleUrl: './hand-over.scss',
})
export class HandOver {
  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  protected readonly remark = signal('');

  protected readonly setName = computed(() => this.desk.sheet().chosen?.payload.name ?? null);
  protected readonly rows = computed(() => {
    const sheet = this.desk.sheet();
    const { wound, counted } = sheet;
    return this.desk.lanes().map((lane) => {
      const payload = wound[lane.index]?.payload ?? null;
      return {
        lane,
        gauge: lane.string === null ? '–' : this.measures.gauge(lane.gauge * 1000),
        construction: lane.string?.construction ?? '',
        turns: payload === null ? '–' : turnsToQuarter(counted[lane.index]?.payload.turns ?? payload.turns),
        slack: payload === null ? '–' : say(this.measures.length(fromMillimetres(payload.slackMm))),
        nut: payload === null || payload.nutDeg === null ? '–' : `${payload.nutDeg.toFixed(1)}°`,
        rounds: sayRounds(dropsOf(sheet, lane.index)),
      };
    });
  });
  /** Stages with strings that were not ticked, in words: told, not forbidden. */
  protected readonly open = computed(() =>
    STRING_STAGES.flatMap((stage) => {
      const left = passed(this.desk.sheet(), stage).flatMap((done, index) => (done ? [] : [index + 1]));
      return left.length === 0
        ? []
        : [
            `${STAGE_NAMES[stage]}: ${left.length === this.desk.lanes().length ? 'no string ticked' : `string ${left.join(', ')} not ticked`}`,
          ];
    }),
  );
  protected readonly handedOver = computed(() => {
    const event = this.desk.sheet().handedOver;
    return event === null
      ? null
      : {
          at: new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' }).format(new Date(event.at)),
          remark: event.payload.remark,
        };
  });
  /** The job as it was, with times and people. */
  protected readonly story = computed(() => {
    const people = this.desk.file()?.people ?? [];
    return tellStory(this.desk.sheet()).map(({ at, until, personId, says }, index) => ({
      index,
      when: whenOf(at, until),
      who: people.find(({ id }) => id === personId)?.name ?? 'somebody else',
      says,
    }));
  });
  /** What was found, how it went on since last time, and whose work it is. */
  protected readonly findings = computed(() => {
    const { findings, done } = this.desk.sheet();
    const now = findings.map(({ payload }) => payload);
    const looked = (string: number | null) =>
      done['look-over'].some((event, index) => event !== null && (string === null || string === index + 1));
    return compareFindings(now, this.desk.lastTime()?.findings ?? []).map(({ finding, course }) => {
      const { says, refer } = advise(finding);
      const gone = course === 'gone';
      return {
        says: sayFinding(finding),
        how:
          gone && !looked(finding.string)
            ? 'not looked at this time'
            : [...(gone ? [] : [SEVERITY_NAMES[finding.severity]]), COURSE_NAMES[course]].join(' · '),
        advice: gone ? '' : [says, finding.text, refer === null ? '' : `${REFERRAL_NAMES[refer]}.`].filter((part) => part !== '').join(' '),
      };
    });
  });
  /** What was measured, with what, and what it was before. */
  protected readonly measured = computed(() =>
    this.desk.sheet().measurements.map(({ payload: { what, string, valueMm, by } }) => {
      const before = this.desk.lastTime()?.measurements.find((each) => each.what === what && each.string === string);
      const length = (mm: number) => say(this.measures.length(fromMillimetres(mm), 2));
      return {
        name: string === undefined ? measureOf(what).name : `${measureOf(what).name}, string ${string}`,
        now: length(valueMm),
        by: by === undefined ? '' : GAUGES[by],
        before: before === undefined ? '–' : length(before.valueMm),
      };
    }),
  );
  protected readonly notes = computed(() => this.desk.sheet().notes.map(({ payload }) => payload.text));
  protected readonly soft = computed(() => this.desk.lanes().some(({ texture }) => texture === 'nylon'));

  protected async close(): Promise<void> {
    await this.desk.handOver(this.remark().trim());
  }
}

const DAY_AND_TIME = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** 'Tue, 26 May, 09:04 to 09:10'; one time where it took no minute. */
function whenOf(at: string, until: string): string {
  const [from, to] = [new Date(at), new Date(until)];
  const end = TIME.format(to) === TIME.format(from) ? '' : ` to ${TIME.format(to)}`;
  return DAY_AND_TIME.format(from) + end;
}
