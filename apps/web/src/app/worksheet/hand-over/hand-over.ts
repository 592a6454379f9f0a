import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { instrumentChange } from '@gold-peg/contract/register';
import { nameTuning } from '@gold-peg/craft/tuning';
import { fromMillimetres } from '@gold-peg/craft/units';
import { advise, compareFindings, GAUGES, lookedAt, measureOf } from '@gold-peg/craft/findings';
import { asItCame, dropsOf, passed, tellStory } from '@gold-peg/craft/worksheet';
import { STRING_STAGES } from '@gold-peg/craft/stages';
import { heldTo } from '../../form';
import { Measures, say } from '../../preferences/measures';
import { Session } from '../../session/session';
import { Caution } from '../../ui/caution';
import { BenchActions } from '../actions';
import { StageClock, WorksheetDesk } from '../desk';
import { COURSE_NAMES, REFERRAL_NAMES, sayFinding, SEVERITY_NAMES } from '../look-over';
import { sayRounds, Settling } from '../settle';
import { STAGE_NAMES } from '../stage-rule';
import { sayLeft } from '../../preferences/slack-words';
import { stillKnown } from './still-known';
import { houseTime } from '../../server/house-zone';

/** What was fitted and how, what is still open, and the hand-over that closes the job. */
@Component({
  selector: 'peg-hand-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, MatButtonModule, MatInputModule, ReactiveFormsModule, RouterLink],
  templateUrl: './hand-over.html',
  styleUrl: './hand-over.scss',
})
export class HandOver {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  protected readonly mayWork = inject(Session).mayWork;
  private readonly measures = inject(Measures);
  private readonly settling = inject(Settling);
  private readonly clock = inject(StageClock);
  protected readonly remark = new FormControl('', { nonNullable: true, validators: heldTo(instrumentChange.shape.remark) });

  protected readonly setName = computed(() => this.desk.sheet().chosen?.payload.name ?? null);
  /** The tuning that was chosen for the job, where it is not the one that it came with. */
  protected readonly tuned = computed(() => {
    const tuning = this.desk.sheet().chosen?.payload.tuning;
    return tuning === undefined ? '' : ` · left in ${nameTuning(tuning.notes.map(({ note }) => note))}, A = ${tuning.a4Hz} Hz`;
  });
  /** What the job is about, where it is not the whole instrument. */
  protected readonly only = computed(() => this.desk.sheet().chosen?.payload.only ?? null);
  protected readonly rows = computed(() => {
    const sheet = this.desk.sheet();
    const before = this.desk.file()?.passport.current?.strings ?? [];
    return this.desk.lanes().map((lane) => {
      const stays = sheet.inJob[lane.index] === false;
      const kept = before.find(({ string }) => stays && string === lane.number);
      const wound = this.desk.winding.asWound()[lane.index] ?? null;
      const slack = wound?.slack ?? (kept?.slackMm == null ? null : fromMillimetres(kept.slackMm));
      const clamped = lane.place.post.style === 'clamp';
      return {
        lane,
        gauge: lane.string === null ? '–' : this.measures.gauge(lane.gauge * 1000),
        construction: lane.string?.construction ?? '',
        ...sayLeft({ turns: wound?.turns ?? kept?.turns ?? null, slack, clamped }, this.measures),
        nut: wound === null || wound.nutDeg === null ? '–' : `${wound.nutDeg.toFixed(1)}°`,
        rounds: stays ? 'stays' : sayRounds(dropsOf(sheet, lane.index)),
      };
    });
  });
  private readonly known = computed(() => {
    const sheet = this.desk.sheet();
    const strings = this.settling.strings().map((string, index) => ({
      number: index + 1,
      inJob: sheet.inJob[index] !== false,
      string,
      lastRead: sheet.pitches[index]?.at(-1)?.payload ?? null,
    }));
    return stillKnown(strings, { now: this.clock.now(), promisedAt: this.desk.file()?.job.promisedAt ?? null });
  });
  /** What is known of strings that do not hold yet, or may not. */
  protected readonly doubts = computed(() => this.known().doubts);
  /** The same for the owner, in plain words. */
  protected readonly forOwner = computed(() => this.known().forOwner);
  /** Stages with strings that were not ticked, in words: told, not forbidden. */
  protected readonly open = computed(() =>
    STRING_STAGES.flatMap((stage) => {
      const left = passed(this.desk.sheet(), stage).flatMap((done, index) => (done ? [] : [index + 1]));
      const all = left.length === this.desk.inJob().filter(Boolean).length;
      return left.length === 0 ? [] : [`${STAGE_NAMES[stage]}: ${all ? 'no string ticked' : `string ${left.join(', ')} not ticked`}`];
    }),
  );
  protected readonly handedOver = computed(() => {
    const event = this.desk.sheet().handedOver;
    return event === null
      ? null
      : {
          at: houseTime({ dateStyle: 'long', timeStyle: 'short' }).format(new Date(event.at)),
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
    const now = this.desk.sheet().findings.map(({ payload }) => payload);
    return compareFindings(now, this.desk.openBefore()).map(({ finding, course }) => {
      const { says, refer } = advise(finding);
      const gone = course === 'gone';
      return {
        says: sayFinding(finding),
        how:
          gone && !lookedAt(finding, this.desk.looks())
            ? 'not looked at this time'
            : [...(gone ? [] : [SEVERITY_NAMES[finding.severity]]), COURSE_NAMES[course]].join(' · '),
        advice: gone ? '' : [says, finding.text, refer === null ? '' : `${REFERRAL_NAMES[refer]}.`].filter((part) => part !== '').join(' '),
      };
    });
  });
  /** What was measured, with what, and what it was before. */
  protected readonly measured = computed(() =>
    this.desk.sheet().measurements.map((event) => {
      const { what, string, valueMm, by } = event.payload;
      const before = this.desk.measuredBefore().find((each) => each.what === what && each.string === string);
      const length = (mm: number) => say(this.measures.length(fromMillimetres(mm), 2));
      return {
        name: `${measureOf(what).name}${string === undefined ? '' : `, string ${string}`}${asItCame(this.desk.sheet(), event) ? ', as it came' : ''}`,
        now: length(valueMm),
        by: by === undefined ? '' : GAUGES[by],
        before: before === undefined ? '–' : length(before.valueMm),
      };
    }),
  );
  /** Papers that go home with it. */
  protected readonly card = computed(() => ENDPOINTS.cardPdf.path.replace(':id', this.desk.file()?.job.id ?? ''));
  protected readonly label = computed(() => ENDPOINTS.labelPdf.path.replace(':id', this.desk.file()?.passport.id ?? ''));
  protected readonly notes = computed(() => this.desk.sheet().notes.map(({ payload }) => payload.text));
  protected readonly soft = computed(() => this.desk.lanes().some(({ texture }) => texture === 'nylon'));

  protected async close(): Promise<void> {
    await this.actions.handOver(this.remark.value.trim());
  }
}

const DAY_AND_TIME = houseTime({
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
const TIME = houseTime({ hour: '2-digit', minute: '2-digit' });

/** 'Tue, 26 May, 09:04 to 09:10'; one time where it took no minute. */
function whenOf(at: string, until: string): string {
  const [from, to] = [new Date(at), new Date(until)];
  const end = TIME.format(to) === TIME.format(from) ? '' : ` to ${TIME.format(to)}`;
  return DAY_AND_TIME.format(from) + end;
}
