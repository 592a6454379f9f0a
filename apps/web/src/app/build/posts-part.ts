import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { fromInstrument, POST_NAMES, toInstrument } from '@gold-peg/contract/register';
import { measuredRow, POST_STYLES, withMeasuredPosts, type Measure, type PostStyle, type Side } from '@gold-peg/craft/instrument';
import { withPostStyle } from '@gold-peg/craft/reshape';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { degrees } from '../preferences/measures';
import { NumberField } from '../ui/number-field';
import { GeometryDraft } from './draft';

const SIDES = [
  { side: 'bass', name: 'bass side' },
  { side: 'treble', name: 'treble side' },
] as const;

/** What is measured of each post. */
const COLUMNS = [
  { key: 'alongMm', head: 'along', label: 'along', step: 0.5, measure: 'posts' },
  { key: 'sidewaysMm', head: 'sideways', label: 'sideways', step: 0.5, measure: 'posts' },
  { key: 'diameterMm', head: 'diameter', label: 'diameter', step: 0.1, measure: 'thickness' },
  { key: 'holeHeightMm', head: 'hole', label: 'hole above the face', step: 0.5, measure: 'holes' },
  { key: 'holeDepthMm', head: 'deep', label: 'depth', step: 0.5, measure: 'holes' },
] as const;
type Column = (typeof COLUMNS)[number];

const ROW_NAMES = {
  nutToFirst: 'nut to first post',
  firstToLast: 'first to last post',
  firstAside: 'first post from the centre',
  lastAside: 'last post from the centre',
} as const;
type RowKey = keyof typeof ROW_NAMES;

/** Posts: how each holds its string, where it stands, how thick it is; typed one by one, or from a few lengths of a rule. */
@Component({
  selector: 'peg-posts-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, MatSelectModule, NumberField],
  templateUrl: './posts-part.html',
  styleUrl: './part.scss',
})
export class PostsPart {
  /** Only some posts are bored down the middle. */
  protected readonly columns = computed(() =>
    COLUMNS.filter(({ key }) => key !== 'holeDepthMm' || this.posts().some(({ values }) => values.holeDepthMm !== null)),
  );
  protected readonly rowNames = ROW_NAMES;
  protected readonly draft = inject(GeometryDraft);
  /** Rollers and clamps come with the layout of their head. */
  protected readonly styles = computed(() => {
    const layout = this.draft.geometry()?.headstock.layout;
    const of = (style: PostStyle) => ({ style, name: POST_NAMES[style] });
    if (layout === 'slotted') return [of('roller')];
    if (layout === 'headless') return [of('clamp')];
    return POST_STYLES.filter((style) => style !== 'roller' && style !== 'clamp').map(of);
  });
  protected readonly posts = computed(() =>
    (this.draft.geometry()?.strings ?? []).map(({ note, post }, index) => {
      const plan = this.draft.picture()?.plans[index] ?? null;
      return {
        index,
        number: index + 1,
        note,
        style: post.style,
        // typical figures are often thirds: what is shown is what a rule can show, what is kept stays exact until it is typed over
        values: {
          alongMm: tenth(post.alongMm),
          sidewaysMm: tenth(post.sidewaysMm),
          diameterMm: tenth(post.diameterMm),
          holeHeightMm: tenth(post.holeHeightMm),
          holeDepthMm: post.style === 'slotted' || post.style === 'clamp' ? post.holeDepthMm : null,
        },
        gives:
          plan?.kind === 'post'
            ? `${Math.abs(plan.wind.turns) < 0.05 ? '0.0' : plan.wind.turns.toFixed(1).replace('-', '−')}, ${plan.nut === null ? '–' : degrees(plan.nut.vertical)}`
            : '–',
      };
    }),
  );
  protected readonly rows = computed(() => {
    const picture = this.draft.picture();
    if (picture === null || picture.instrument.headstock.layout === 'headless') return [];
    return SIDES.flatMap(({ side, name }) => {
      const row = measuredRow(picture.instrument, side);
      const fields = row === null ? [] : KEYS.map((key) => ({ key, value: Number(toMillimetres(row[key]).toFixed(1)) }));
      return row === null ? [] : [{ side, name, fields }];
    });
  });

  protected change(index: number, { key, measure }: Column, mm: number | null): void {
    this.draft.editPost(index, { [key]: mm ?? Number.NaN }, measure);
  }

  protected restyle(index: number, style: PostStyle): void {
    this.draft.reshape((instrument) => withPostStyle(instrument, style, index), OF_STYLE);
  }

  protected setRow(side: Side, key: RowKey, mm: number): void {
    const geometry = this.draft.sound();
    if (geometry === null || Number.isNaN(mm)) return;
    const instrument = toInstrument(geometry);
    const row = measuredRow(instrument, side);
    if (row === null) return;
    const { strings } = fromInstrument(withMeasuredPosts(instrument, { ...row, [key]: fromMillimetres(mm) }));
    this.draft.edit((now) => ({ ...now, strings }), 'posts');
    this.draft.settle();
  }
}

const KEYS = Object.keys(ROW_NAMES) as RowKey[];
/** What another style of post is not known by any more. */
const OF_STYLE: readonly Measure[] = ['thickness', 'holes'];
const tenth = (mm: number) => Math.round(mm * 10) / 10;
