import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { ANCHOR_NAMES, FINISH_NAMES, WOOD_NAMES, type Geometry } from '@gold-peg/contract/register';
import { prepareBridge } from '@gold-peg/craft/bench-run';
import { advise } from '@gold-peg/craft/findings';
import { ANCHORS, TIE_HOLES, tieHoleCount, TOP_FINISHES, WOODS, type AnchorKind, type Measure } from '@gold-peg/craft/instrument';
import { withAnchor } from '@gold-peg/craft/reshape';
import { NumberField } from '../ui/number-field';
import { GeometryDraft } from './draft';

/** The bridge and what it stands on: how strings are held, and what the top and the board are made of. */
@Component({
  selector: 'peg-bridge-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule, MatInputModule, MatSelectModule, NumberField],
  templateUrl: './bridge-part.html',
  styleUrl: './part.scss',
})
export class BridgePart {
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

  protected hold(anchor: AnchorKind): void {
    this.draft.reshape((instrument) => withAnchor(instrument, anchor), BEHIND);
  }

  protected change(change: Partial<Geometry['bridge']>, measure: Measure | null = null): void {
    this.draft.edit((geometry) => ({ ...geometry, bridge: { ...geometry.bridge, ...change } }), measure);
  }

  protected screw(change: Partial<NonNullable<Geometry['screwTunerMm']>>): void {
    this.draft.edit((geometry) => ({
      ...geometry,
      screwTunerMm: geometry.screwTunerMm === null ? null : { ...geometry.screwTunerMm, ...change },
    }));
  }

  protected look(change: Partial<Pick<Geometry, 'top' | 'board'>>): void {
    this.draft.edit((geometry) => ({ ...geometry, ...change }));
  }

  protected readonly typed = (value: number | null): number => value ?? Number.NaN;
}

const BEHIND: readonly Measure[] = ['behind-saddle'];
