import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { clampCount, placesToNote } from '@gold-peg/craft/findings';
import { TOOLS } from '@gold-peg/craft/tools';
import { isStringStage } from '@gold-peg/craft/stages';
import { AnchorFrames } from '../../anchor';
import { Caution } from '../../ui/caution';
import { MARK_COLOURS } from '../../ui/mark-colours';
import { WorksheetDesk } from '../desk';
import { StageLanes } from '../lanes';
import { JobNotes } from '../notes';
import { NowPanel } from '../now';
import { SchoolLine } from '../school';
import { BridgeFacts } from './bridge-facts';
import { PlaceNote } from './place-note';
import { scenesInHand } from './scenes-in-hand';

/** Strip and Anchor: the bridge end enlarged and drawn for this bridge and this string, step by step. */
@Component({
  selector: 'peg-pictured-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnchorFrames, BridgeFacts, Caution, JobNotes, NowPanel, PlaceNote, SchoolLine, StageLanes],
  templateUrl: './pictured-stage.html',
  styleUrl: './pictured-stage.scss',
})
export class PicturedStage {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly strip = computed(() => this.desk.stage() === 'strip');
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  private readonly scenes = computed(() => scenesInHand(this.desk));
  protected readonly frames = computed(() => (this.strip() ? this.scenes()?.off : this.scenes()?.fit) ?? []);
  protected readonly fault = computed(() => (this.strip() ? null : (this.scenes()?.fault ?? null)));
  protected readonly ballColour = computed(() => {
    const mark = this.desk.marks()[this.desk.lane()] ?? null;
    return mark === null ? null : MARK_COLOURS[mark];
  });
  /** Before anything comes off, at Strip, something loose has to be noted here. */
  protected readonly toNote = computed(() => {
    const instrument = this.desk.instrument();
    return this.strip() && instrument !== null && placesToNote(instrument).length + clampCount(instrument) > 0;
  });
  /** What is done once for the whole instrument before its strings; said until the first of them is done. */
  protected readonly first = computed(() => {
    const now = this.desk.stage();
    if (isStringStage(now) && this.desk.sheet().done[now].some((event) => event !== null)) return [];
    return (this.desk.run()?.steps ?? []).filter(({ stage, string }) => stage === now && string === null);
  });
  protected readonly tools = computed(() => (this.desk.stepInHand()?.tools ?? []).map((kind) => TOOLS[kind]).join(', '));
}
