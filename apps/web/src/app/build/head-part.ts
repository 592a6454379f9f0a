import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSelectModule } from '@angular/material/select';
import { LAYOUT_NAMES, toInstrument, type Geometry } from '@gold-peg/contract/register';
import { HEADSTOCK_LAYOUTS, OF_THE_HEAD, type HeadstockLayout, type Measure } from '@gold-peg/craft/instrument';
import { headOf, pegsOnHead, withAnchor, withHead } from '@gold-peg/craft/reshape';
import { GeometryDraft } from './draft';
import { DraftChoice } from './draft-choice';
import { DraftFieldInput } from './draft-field';
import { STRING_NUMBERS, TENTHS } from './draft-ways';

type Tree = Geometry['trees'][number];

const TREE_FIELDS = [
  { key: 'alongMm', says: 'at', label: 'from the nut, mm', way: TENTHS },
  { key: 'dropMm', says: 'drop', label: 'drop, mm', way: TENTHS },
  { key: 'strings', says: 'strings', label: 'strings under it', way: STRING_NUMBERS },
] as const;

/** The head: its layout, how many posts stand on either side, its angle, trees and bars. */
@Component({
  selector: 'peg-head-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DraftChoice, DraftFieldInput, MatButtonModule, MatSelectModule],
  templateUrl: './head-part.html',
  styleUrl: './part.scss',
})
export class HeadPart {
  protected readonly layouts = HEADSTOCK_LAYOUTS.map((value) => ({ value, name: LAYOUT_NAMES[value] }));
  protected readonly hands = [
    { value: 'right', name: 'right-handed' },
    { value: 'left', name: 'left-handed' },
  ];
  protected readonly treeFields = TREE_FIELDS;
  protected readonly draft = inject(GeometryDraft);
  private readonly instrument = computed(() => {
    const sound = this.draft.sound();
    return sound === null ? null : toInstrument(sound);
  });
  /** Shares of the posts that a head of this layout can have. */
  protected readonly shares = computed(() => {
    const instrument = this.instrument();
    if (instrument === null) return [];
    const count = pegsOnHead(instrument);
    const { layout } = instrument.headstock;
    if (layout === 'headless') return [];
    const trebles = layout === 'in-line' ? [0, count] : Array.from({ length: count - 1 }, (_, index) => index + 1);
    const say = (treble: number) => `${count - treble} bass, ${treble} treble`;
    return trebles.map((treble) => ({
      treble,
      name: layout === 'in-line' ? (treble === 0 ? 'all bass side' : 'all treble side') : say(treble),
    }));
  });
  protected readonly treble = computed(() => {
    const instrument = this.instrument();
    return instrument === null ? 0 : headOf(instrument).treble;
  });

  protected readonly layOut = (chosen: unknown): void => {
    const layout = chosen as HeadstockLayout;
    this.draft.reshape((instrument) => {
      const { treble, layout: before } = headOf(instrument);
      const count = pegsOnHead(instrument);
      const half = treble === 0 || treble === count ? Math.floor(count / 2) : treble;
      const head = withHead(instrument, { layout, treble: layout === 'in-line' ? 0 : half });
      if ((layout === 'headless') === (before === 'headless')) return head;
      // its bridge belongs to it: strings that are clamped at the head are tuned at the bridge
      return withAnchor(head, layout === 'headless' ? 'headless' : 'top-load');
    }, OF_THE_HEAD);
  };

  protected share(treble: number): void {
    this.draft.reshape((instrument) => withHead(instrument, { ...headOf(instrument), treble }), OF_POSTS);
  }

  protected addTree(kind: Tree['kind']): void {
    const count = this.draft.geometry()?.strings.length ?? 0;
    const strings = kind === 'bar' ? Array.from({ length: count }, (_, index) => index) : [0, 1].filter((index) => index < count);
    const nearest = Math.min(...strings.map((index) => this.draft.geometry()?.strings[index]?.post.alongMm ?? Infinity));
    const alongMm = Math.min(kind === 'bar' ? 20 : 50, Math.round(0.6 * nearest));
    this.draft.edit((geometry) => ({ ...geometry, trees: [...geometry.trees, { kind, alongMm, dropMm: 4, strings }] }));
  }

  protected removeTree(index: number): void {
    this.draft.edit((geometry) => ({ ...geometry, trees: geometry.trees.filter((_, at) => at !== index) }));
  }
}

const OF_POSTS: readonly Measure[] = ['posts'];
