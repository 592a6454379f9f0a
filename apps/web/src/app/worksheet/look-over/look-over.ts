import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { advise, FINDINGS, lookedAt, placeOf, type Finding, type MeasureKind } from '@gold-peg/craft/findings';
import { CAUTIONS } from '@gold-peg/craft/bench-run';
import { Measures } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { LaneButton } from '../../ui/lane-button';
import { MeasuredWidth } from '../../ui/measured-width';
import { WorksheetDesk } from '../desk';
import { stageRows, Stands } from '../lanes';
import { MeasureField } from '../measures';
import { NowPanel } from '../now';
import { COARSE, LEAST_TOUCH_PX } from '../../ui/touch';
import { boardLayout, type Place } from './board-layout';
import { FindingForm } from './finding-form';
import { FindingsList } from './findings-list';
import { sayFinding } from './finding-words';

const MANY_LANES = 8;
/** Px: the more strings, the lower each lies, so that what is found and measured stays on the screen. */
const laneHeightFor = (count: number): number =>
  COARSE.matches ? LEAST_TOUCH_PX : count <= 6 ? 36 : count === 7 ? 31 : count <= MANY_LANES ? 25 : 20;

/** Look over: the instrument drawn with its frets; what is found is put where it is, what is measured stands beside what it was. */
@Component({
  selector: 'peg-look-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, FindingForm, FindingsList, LaneBadge, LaneButton, MatButtonModule, MeasuredWidth, MeasureField, NowPanel, Stands],
  templateUrl: './look-over.html',
  styleUrl: './look-over.scss',
})
export class LookOver {
  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  protected readonly place = signal<Place | null>(null);
  protected readonly wholes: readonly MeasureKind[] = ['relief', 'action-treble', 'action-bass'];
  protected readonly perString: readonly MeasureKind[] = ['slot-width', 'saddle-height'];

  protected readonly rows = computed(() =>
    this.desk.inView(
      stageRows({
        sheet: this.desk.sheet(),
        lanes: this.desk.lanes(),
        stage: 'look-over',
        inHand: this.desk.closed() ? null : this.desk.lane(),
        done: 'looked over',
        measures: this.measures,
      }),
    ),
  );
  /** Px that the drawing has. */
  protected readonly width = signal(1000);
  protected readonly tall = computed(() => COARSE.matches || this.desk.lanes().length < MANY_LANES);
  protected readonly board = computed(() => {
    const count = this.desk.lanes().length;
    return boardLayout(this.desk.instrument()?.family ?? 'acoustic', {
      lanes: count,
      laneHeight: laneHeightFor(count),
      width: this.width(),
    });
  });
  private readonly rowOf = (string: number) => this.rows().findIndex(({ lane }) => lane.number === string);
  /** Findings where they are; those of last time that were not found again are drawn hollow. */
  protected readonly marks = computed(() => {
    const now = this.desk.sheet().findings.map(({ payload }) => payload);
    const places = new Set(now.map(sayFinding));
    const before = this.desk.openBefore().filter((finding) => !places.has(sayFinding(finding)));
    return [...now.map((finding) => this.markOf(finding, true)), ...before.map((finding) => this.markOf(finding, false))];
  });
  /** What was found before, is looked for with the string in hand, and was not spoken of today. */
  protected readonly unsaid = computed(() => {
    const [looks, number] = [this.desk.looks(), this.desk.lane() + 1];
    const said = new Set(this.desk.sheet().findings.map(({ payload }) => placeOf(payload)));
    const here = this.desk
      .openBefore()
      .filter((finding) => (finding.string === null ? looks.only === undefined : finding.string === number))
      .filter((finding) => !said.has(placeOf(finding)) && !lookedAt(finding, looks));
    if (this.desk.closed() || here.length === 0) return null;
    return `Found before: ${here.map(sayFinding).join('; ')}. What is not said to be still so goes down as not found any more.`;
  });
  protected readonly pointed = computed(() => {
    const place = this.place();
    const row = place === null ? -1 : this.rows().findIndex(({ lane }) => lane.index === place.lane);
    return place === null || row < 0 ? null : { x: this.board().xOf(place.part, place.fret), y: this.board().laneYs[row] ?? 0 };
  });
  protected readonly cautions = computed(() => {
    const oil = this.desk.sheet().findings.some(({ payload }) => advise(payload).oil);
    return [...(oil ? [CAUTIONS.oils] : []), this.desk.cautions()].join(' ');
  });

  protected point(event: MouseEvent): void {
    const svg = event.currentTarget as SVGSVGElement;
    const box = svg.getBoundingClientRect();
    const board = this.board();
    const { part, row, fret } = board.at(
      ((event.clientX - box.left) / box.width) * board.width,
      ((event.clientY - box.top) / box.height) * board.drawnHeight,
    );
    const lane = this.rows()[row]?.lane.index ?? 0;
    this.desk.lane.set(lane);
    this.place.set({ part, lane, fret });
  }

  private markOf(finding: Finding, now: boolean) {
    const board = this.board();
    const row = finding.string === null ? -1 : this.rowOf(finding.string);
    return {
      x: board.xOf(FINDINGS[finding.what].part, finding.fret),
      y: row < 0 ? board.height / 2 : (board.laneYs[row] ?? 0),
      says: sayFinding(finding),
      letter: { watch: '', soon: '!', now: '!!' }[finding.severity],
      severity: finding.severity,
      now,
    };
  }
}
