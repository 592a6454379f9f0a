import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Caution } from '../../ui/caution';
import { WorksheetDesk } from '../desk';
import { StageLanes } from '../lanes';
import { NowPanel } from '../now';
import { SchoolLine } from '../school';
import { RetunePanel } from './retune-panel';
import { RoundPanel } from './round-panel';
import { Settling } from './settling';

/** Rounds of stretching and tuning, until each string stays: what they cost lies in the lanes. */
@Component({
  selector: 'peg-settle-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, NowPanel, RetunePanel, RoundPanel, SchoolLine, StageLanes],
  templateUrl: './settle-stage.html',
  styleUrl: '../plain/plain-stage.scss',
})
export class SettleStage {
  protected readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);
  protected readonly step = this.desk.stepInHand;
  protected readonly drops = computed(() => this.settling.strings().map(({ drops }) => drops));
  protected readonly verdicts = computed(() => this.settling.strings().map(({ says }) => says?.short ?? ''));
}
