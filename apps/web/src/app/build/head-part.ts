import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { LAYOUT_NAMES, toInstrument, type Geometry } from '@gold-peg/contract/register';
import { HEADSTOCK_LAYOUTS, OF_THE_HEAD, type Hand, type HeadstockLayout, type Measure } from '@gold-peg/craft/instrument';
import { headOf, pegsOnHead, withAnchor, withHead } from '@gold-peg/craft/reshape';
import { NumberField } from '../ui/number-field';
import { GeometryDraft } from './draft';

type Tree = Geometry['trees'][number];

/** The head: its layout, how many posts stand on either side, its angle, trees and bars. */
@Component({
  selector: 'peg-head-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, NumberField],
  templateUrl: './head-part.html',
  styleUrl: './part.scss',
})
export class HeadPart {
  protected readonly layouts = HEADSTOCK_LAYOUTS.map((layout) => ({ layout, name: LAYOUT_NAMES[layout] }));
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

  protected layOut(layout: HeadstockLayout): void {
    this.draft.reshape((instrument) => {
      const { treble, layout: before } = headOf(instrument);
      const count = pegsOnHead(instrument);
      const half = treble === 0 || treble === count ? Math.floor(count / 2) : treble;
      const head = withHead(instrument, { layout, treble: layout === 'in-line' ? 0 : half });
      if ((layout === 'headless') === (before === 'headless')) return head;
      // its bridge belongs to it: strings that are clamped at the head are tuned at the bridge
      return withAnchor(head, layout === 'headless' ? 'headless' : 'top-load');
    }, OF_THE_HEAD);
  }

  protected share(treble: number): void {
    this.draft.reshape((instrument) => withHead(instrument, { ...headOf(instrument), treble }), OF_POSTS);
  }

  protected turnOver(hand: Hand): void {
    this.draft.edit((geometry) => ({ ...geometry, hand }));
  }

  protected changeHead(change: Partial<Geometry['headstock']>, measure: Measure): void {
    this.draft.edit((geometry) => ({ ...geometry, headstock: { ...geometry.headstock, ...change } }), measure);
  }

  protected change(change: Partial<Pick<Geometry, 'nutWidthMm' | 'gearRatio'>>, measure: Measure): void {
    this.draft.edit((geometry) => ({ ...geometry, ...change }), measure);
  }

  protected changeTree(index: number, change: Partial<Tree>): void {
    this.draft.edit(
      (geometry) => ({ ...geometry, trees: geometry.trees.map((tree, at) => (at === index ? { ...tree, ...change } : tree)) }),
      'trees',
    );
  }

  protected setTreeStrings(index: number, typed: string): void {
    const strings = typed
      .split(/[\s,]+/)
      .filter((part) => part !== '')
      .map((part) => Number(part) - 1);
    this.changeTree(index, { strings });
  }

  protected stringsUnder = ({ strings }: Tree): string => strings.map((index) => index + 1).join(' ');

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

  /** What is no number stays so, and is refused in words; the drawing keeps to the last that was one. */
  protected readonly typed = (value: number | null): number => value ?? Number.NaN;
}

const OF_POSTS: readonly Measure[] = ['posts'];
