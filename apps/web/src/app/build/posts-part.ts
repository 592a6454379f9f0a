import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { fromInstrument, POST_NAMES, toInstrument } from '@gold-peg/contract/register';
import { measuredRow, POST_STYLES, withMeasuredPosts, type Measure, type PostStyle, type Side } from '@gold-peg/craft/instrument';
import { withPostStyle } from '@gold-peg/craft/reshape';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { degrees } from '../preferences/measures';
import { GeometryDraft } from './draft';
import { DraftChoice } from './draft-choice';
import { DraftFieldInput } from './draft-field';

const SIDES = [
  { side: 'bass', name: 'bass side' },
  { side: 'treble', name: 'treble side' },
] as const;

/** What is measured of each post. */
const COLUMNS = [
  { key: 'alongMm', head: 'along, mm', label: 'along', step: 0.5, measure: 'posts' },
  { key: 'sidewaysMm', head: 'sideways', label: 'sideways', step: 0.5, measure: 'posts' },
  { key: 'diameterMm', head: 'diameter', label: 'diameter', step: 0.1, measure: 'thickness' },
  { key: 'holeHeightMm', head: 'hole', label: 'hole above the face', step: 0.5, measure: 'holes' },
  { key: 'holeDepthMm', head: 'deep', label: 'depth', step: 0.5, measure: 'holes' },
] as const;

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
  imports: [DraftChoice, DraftFieldInput, MatInputModule],
  templateUrl: './posts-part.html',
  styleUrl: './part.scss',
})
export class PostsPart {
  /** Only some posts are bored down the middle. */
  protected readonly columns = computed(() =>
    COLUMNS.filter(({ key }) => key !== 'holeDepthMm' || this.posts().some(({ bored }) => bored)),
  );
  protected readonly rowNames = ROW_NAMES;
  protected readonly draft = inject(GeometryDraft);
  /** Rollers and clamps come with the layout of their head. */
  protected readonly styles = computed(() => {
    const layout = this.draft.geometry()?.headstock.layout;
    const of = (value: PostStyle) => ({ value, name: POST_NAMES[value].replace(/ posts$/, '') });
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
        bored: post.style === 'slotted' || post.style === 'clamp',
        restyle: (style: unknown) => this.restyle(index, style as PostStyle),
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

  private restyle(index: number, style: PostStyle): void {
    this.draft.reshape((instrument) => withPostStyle(instrument, style, index), OF_STYLE);
  }
}

const KEYS = Object.keys(ROW_NAMES) as RowKey[];
/** What another style of post is not known by any more. */
const OF_STYLE: readonly Measure[] = ['thickness', 'holes'];
