import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Caution } from '../../ui/caution';
import { WorksheetDesk } from '../desk';
import { StageLanes } from '../lanes';
import { NowPanel } from '../now';
import { SchoolLine } from '../school';
import { BenchList } from './bench-list';
import { Readings } from './readings';
import { StringCheckPanel } from './string-check';

/** Ready the bench: the strings laid out and measured, and all that this job needs to hand. */
@Component({
  selector: 'peg-ready',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BenchList, Caution, NowPanel, SchoolLine, StageLanes, StringCheckPanel],
  providers: [Readings],
  templateUrl: './ready.html',
  styleUrl: './ready.scss',
})
export class Ready {
  protected readonly desk = inject(WorksheetDesk);
  private readonly readings = inject(Readings);
  protected readonly read = computed(() => this.readings.verdicts().map((verdict) => verdict?.short ?? ''));
}
