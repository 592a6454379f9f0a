import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ANCHOR_NAMES, FINISH_NAMES, WOOD_NAMES } from '@gold-peg/contract/register';
import { prepareBridge } from '@gold-peg/craft/bench-run';
import { advise } from '@gold-peg/craft/findings';
import { ANCHORS, TIE_HOLES, tieHoleCount, TOP_FINISHES, WOODS, type AnchorKind, type Measure } from '@gold-peg/craft/instrument';
import { withAnchor } from '@gold-peg/craft/reshape';
import { GeometryDraft } from './draft';
import { DraftChoice } from './draft-choice';
import { DraftFieldInput } from './draft-field';
import { DraftTick } from './draft-tick';
import { HUNDREDTHS } from './draft-ways';

/** The bridge and what it stands on: how strings are held, and what the top and the board are made of. */
@Component({
  selector: 'peg-bridge-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DraftChoice, DraftFieldInput, DraftTick],
  templateUrl: './bridge-part.html',
  styleUrl: './part.scss',
})
export class BridgePart {
  protected readonly HUNDREDTHS = HUNDREDTHS;
  protected readonly draft = inject(GeometryDraft);
  protected readonly finishes = TOP_FINISHES.map((value) => ({ value, name: FINISH_NAMES[value] }));
  protected readonly woods = WOODS.map((value) => ({ value, name: WOOD_NAMES[value] }));
  /** A headless bridge belongs to a headless head, and to no other. */
  protected readonly anchors = computed(() => {
    const headless = this.draft.geometry()?.headstock.layout === 'headless';
    return ANCHORS.filter((anchor) => (anchor === 'headless') === headless).map((value) => ({ value, name: ANCHOR_NAMES[value] }));
  });
  protected readonly holes = computed(() => {
    const count = this.draft.geometry()?.strings.length ?? 0;
    return TIE_HOLES.map((value) => ({ value, name: `${tieHoleCount(value, count)} holes` }));
  });
  /** What is done before anything comes off, as it follows from the anchor and the finish. */
  protected readonly before = computed(() => {
    const picture = this.draft.picture();
    return picture === null ? null : (prepareBridge(picture.instrument)?.does ?? null);
  });
  protected readonly oil = computed(() => {
    const wood = this.draft.geometry()?.board ?? null;
    return wood === null ? null : advise({ what: 'board-dry', severity: 'watch', wood }).says;
  });

  protected readonly hold = (anchor: unknown): void => {
    this.draft.reshape((instrument) => withAnchor(instrument, anchor as AnchorKind), BEHIND);
  };
}

const BEHIND: readonly Measure[] = ['behind-saddle'];
