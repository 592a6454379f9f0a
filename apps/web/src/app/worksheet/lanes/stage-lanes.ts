import { afterRenderEffect, ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { StringStage } from '@gold-peg/craft/stages';
import { Measures } from '../../preferences/measures';
import { LaneBadge } from '../../ui/lane-badge';
import { LaneButton } from '../../ui/lane-button';
import { MarkSwatch } from '../../ui/mark-swatch';
import { WorksheetDesk } from '../desk';
import { STAGE_NAMES } from '../stage-rule';
import { DropBars } from './drop-bars';
import { Stands } from './stands';
import { stageRows } from './stage-rows';

/** The strings of the instrument at a stage, each in its lane, with where it stands on the whole rule. */
@Component({
  selector: 'peg-stage-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DropBars, LaneBadge, LaneButton, MarkSwatch, MatButtonModule, Stands],
  templateUrl: './stage-lanes.html',
  styleUrl: './stage-lanes.scss',
})
export class StageLanes {
  /** What else is said of each string here, zero-based; '' for nothing. */
  readonly more = input<readonly string[]>([]);
  /** What rounds of settling cost each string, zero-based. */
  readonly drops = input<readonly (readonly number[])[]>([]);
  /** The marks of the packet are shown. */
  readonly marked = input(false);

  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  /** Lines that bear no marks leave no room for them. */
  protected readonly showsMarks = computed(() => this.marked() && this.desk.marks().some((mark) => mark !== null));
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly name = computed(() => STAGE_NAMES[this.desk.stage()]);
  protected readonly rows = computed(() =>
    this.desk.inView(
      stageRows({
        sheet: this.desk.sheet(),
        lanes: this.desk.lanes(),
        stage: this.desk.stage() as StringStage,
        inHand: this.desk.closed() ? null : this.desk.lane(),
        done: this.desk.stage() === 'bring-up' ? 'at pitch' : (this.desk.stepInHand()?.done ?? 'done'),
        measures: this.measures,
      }),
    ),
  );

  constructor() {
    afterRenderEffect(() => {
      this.desk.lane();
      this.element.nativeElement.querySelector('.in-hand')?.scrollIntoView({ block: 'nearest' });
    });
  }
}
