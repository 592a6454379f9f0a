import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { TOOLS } from '@gold-peg/craft/tools';
import { AnchorFrames } from '../../anchor';
import { Caution } from '../../ui/caution';
import { WorksheetDesk } from '../desk';
import { StageLanes } from '../lanes';
import { JobNotes } from '../notes';
import { NowPanel } from '../now';
import { scenesInHand } from '../pictured';
import { STAGE_NAMES } from '../stage-rule';

/** A stage where each string is ticked: what to do, its check, its caution. */
@Component({
  selector: 'peg-plain-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnchorFrames, Caution, JobNotes, NowPanel, StageLanes],
  templateUrl: './plain-stage.html',
  styleUrl: './plain-stage.scss',
})
export class PlainStage {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  /** At Trim: how the anchor looks when it is right. */
  protected readonly seated = computed(() => {
    const scenes = this.desk.stage() === 'trim' ? scenesInHand(this.desk) : null;
    const right = scenes?.fit.at(-1);
    return scenes?.seat ?? (right === undefined ? null : [right]);
  });
  protected readonly name = computed(() => STAGE_NAMES[this.desk.stage()]);
  protected readonly step = this.desk.stepInHand;
  protected readonly tools = computed(() => (this.step()?.tools ?? []).map((kind) => TOOLS[kind]).join(', '));
}
