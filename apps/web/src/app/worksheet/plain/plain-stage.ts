import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { CAUTIONS, TOOLS } from '@gold-peg/craft/bench-run';
import type { StringStage } from '@gold-peg/craft/worksheet';
import { Measures } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { WorksheetDesk } from '../desk/worksheet-desk';
import { STAGE_NAMES } from '../stage-rule/stage-names';
import { WindDialogs } from '../wind/wind-dialogs';
import { saySchool } from './school-words';

/** Where the school of taking strings off shows. */
const TELLS_SCHOOL: readonly StringStage[] = ['ready', 'strip', 'anchor'];

/** A stage where each string is ticked: what to do, its check, its caution. */
@Component({
  selector: 'peg-plain-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Caution, LaneBadge],
  templateUrl: './plain-stage.html',
  styleUrl: './plain-stage.scss',
})
export class PlainStage {
  readonly marked = output();
  readonly takenBack = output();
  readonly scrapped = output();
  readonly goneOn = output();

  protected readonly desk = inject(WorksheetDesk);
  protected readonly dialogs = inject(WindDialogs);
  private readonly measures = inject(Measures);
  protected readonly noteText = signal('');

  private readonly stage = computed(() => this.desk.stage() as Exclude<StringStage, 'wind'>);
  protected readonly name = computed(() => STAGE_NAMES[this.stage()]);
  private readonly here = computed(() => (this.desk.run()?.steps ?? []).filter(({ stage }) => stage === this.stage()));
  /** What is done once for the whole instrument before its strings. */
  protected readonly first = computed(() => this.here().filter(({ string }) => string === null));
  /** The step of the string in hand. */
  protected readonly step = this.desk.stepInHand;
  protected readonly done = computed(() => this.step()?.done ?? 'done');
  protected readonly cautions = computed(() => (this.step()?.cautions ?? []).map((kind) => CAUTIONS[kind]).join(' '));
  protected readonly tools = computed(() => (this.step()?.tools ?? []).map((kind) => TOOLS[kind]).join(', '));
  /** At Ready: all that this job needs. */
  protected readonly bench = computed(() => (this.stage() === 'ready' ? (this.desk.run()?.tools ?? []).map((kind) => TOOLS[kind]) : []));
  /** Whether a block under the bridge would change what may come off together. */
  protected readonly floats = computed(() => {
    const anchor = this.desk.instrument()?.bridge.anchor;
    return TELLS_SCHOOL.includes(this.stage()) && (anchor === 'floating-vibrato' || anchor === 'double-locking');
  });
  protected readonly school = computed(() => {
    const run = this.desk.run();
    return run === null || !TELLS_SCHOOL.includes(this.stage()) ? '' : saySchool(run.schools);
  });
  protected readonly rows = computed(() => {
    const done = this.desk.sheet().done[this.stage()];
    return this.desk.lanes().map((lane) => {
      const event = done[lane.index] ?? null;
      const inHand = this.desk.lane() === lane.index && !this.desk.closed();
      return {
        lane,
        gauge: lane.string === null ? '–' : this.measures.gauge(lane.gauge * 1000),
        construction: lane.string?.construction ?? '',
        thick: Math.max(1.5, lane.gauge * 1000 * 5),
        inHand,
        done: event !== null,
        badge: inHand ? ('in-hand' as const) : event === null ? ('open' as const) : ('done' as const),
        says: event === null ? (inHand ? 'in hand' : '') : `${this.done()} ${timeOf(event.at)}`,
      };
    });
  });
  protected readonly lying = computed(() => this.desk.inView(this.rows()));
  protected readonly left = computed(() => this.rows().filter(({ done }) => !done).length);
  protected readonly inHand = computed(() => this.rows()[this.desk.lane()]);
  protected readonly notes = computed(() => this.desk.sheet().notes.map(({ payload }) => payload.text));

  protected async addNote(): Promise<void> {
    const text = this.noteText().trim();
    if (text === '') return;
    await this.desk.note(text);
    this.noteText.set('');
  }
}

const timeOf = (at: string) => new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
