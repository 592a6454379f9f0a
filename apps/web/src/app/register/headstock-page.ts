import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { dequal } from 'dequal';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { issueFields } from '@gold-peg/contract/problems';
import { fromInstrument, geometrySchema, passportSchema, toInstrument, type Geometry, type Passport } from '@gold-peg/contract/register';
import { measuredRow, withMeasuredPosts, type Side } from '@gold-peg/craft/instrument';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { Headstock, type MovedPost } from '../headstock';
import { degrees } from '../preferences/measures';
import { Session } from '../session/session';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { troubleOf } from '../server/server-problem';
import { BothVersions } from '../ui/both-versions';
import { differences } from '../ui/differences';
import { MeasuredWidth } from '../ui/measured-width';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { pictureOf } from './kind-picture';
import { NumberField } from '../ui/number-field';

const PICTURE_PX = 400;
/** A drag goes in steps that a steel rule can show. */
const STEP_MM = 0.5;
const SIDES = [
  { side: 'bass', name: 'bass side' },
  { side: 'treble', name: 'treble side' },
] as const;

/** What is measured of each post. */
const COLUMNS = [
  { key: 'alongMm', head: 'along', label: 'along', step: 0.5 },
  { key: 'sidewaysMm', head: 'sideways', label: 'sideways', step: 0.5 },
  { key: 'diameterMm', head: 'diameter', label: 'diameter', step: 0.1 },
  { key: 'holeHeightMm', head: 'hole', label: 'hole above the face', step: 0.5 },
  { key: 'holeDepthMm', head: 'deep', label: 'depth', step: 0.5 },
] as const;
type PostMeasure = (typeof COLUMNS)[number]['key'];

/** Where the posts, trees and the nut of an instrument really are: dragged, typed, or from three lengths of a rule. */
@Component({
  selector: 'peg-headstock-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BothVersions,
    Headstock,
    MatButtonModule,
    MatInputModule,
    MatSelectModule,
    MeasuredWidth,
    NumberField,
    PlaceHeader,
    RouterLink,
    Trouble,
    UnderWay,
  ],
  templateUrl: './headstock-page.html',
  styleUrl: './headstock-page.scss',
})
export class HeadstockPage {
  readonly id = input.required<string>();

  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly session = inject(Session);
  protected readonly columns = COLUMNS;
  protected readonly height = PICTURE_PX;
  protected readonly width = signal(700);
  protected readonly turned = computed(() => this.session.preferences().turned);

  protected readonly passport = resource({
    params: () => ({ id: this.id() }),
    loader: ({ params }) => this.api.call('passport', { params }),
  });
  protected readonly trouble = computed(() => troubleOf(this.passport));
  protected readonly saved = computed(() => (this.passport.hasValue() ? this.passport.value() : null));
  protected readonly geometry = linkedSignal<Geometry | null>(() => this.saved()?.geometry ?? null);
  /** The last geometry that holds together: what is drawn. */
  private readonly sound = linkedSignal<Geometry | null, Geometry | null>({
    source: () => this.geometry(),
    computation: (now, before) => (now !== null && geometrySchema.safeParse(now).success ? now : (before?.value ?? null)),
  });
  private readonly framed = linkedSignal<Geometry | null>(() => this.saved()?.geometry ?? null);
  protected readonly framedBy = computed(() => {
    const framed = this.framed();
    return framed === null ? undefined : toInstrument(framed);
  });
  protected readonly picture = computed(() => {
    const sound = this.sound();
    return sound === null ? null : pictureOf(toInstrument(sound), PICTURE_PX);
  });
  protected readonly changed = computed(() => this.geometry() !== this.saved()?.geometry);
  protected readonly faults = computed(() => {
    const read = geometrySchema.safeParse(this.geometry());
    return read.success ? [] : issueFields(read.error).map(({ path, says }) => `${inWords(path)} ${says}`);
  });
  protected readonly keeper = new Keeper<Passport>((current) => passportSchema.parse(current));
  /** Measures that somebody else changed meanwhile, beside those typed here. */
  protected readonly clashes = computed(() => {
    const saved = this.saved();
    const now = saved === null ? null : this.keeper.inTheWayOf(saved);
    return now === null
      ? []
      : differences(now.geometry, this.geometry())
          .filter(({ path }) => path[0] !== 'measured')
          .map(({ path, ...both }) => ({ what: inWords(path), now: sayMeasure(both.now), typed: sayMeasure(both.typed) }));
  });

  protected readonly posts = computed(() =>
    (this.geometry()?.strings ?? []).map(({ note, post }, index) => {
      const plan = this.picture()?.plans[index] ?? null;
      return {
        index,
        number: index + 1,
        note,
        // typical figures are often thirds: what is shown is what a rule can show, what is kept stays exact until it is typed over
        values: {
          alongMm: tenth(post.alongMm),
          sidewaysMm: tenth(post.sidewaysMm),
          diameterMm: post.diameterMm,
          holeHeightMm: post.holeHeightMm,
          holeDepthMm: post.style === 'slotted' || post.style === 'clamp' ? post.holeDepthMm : null,
        },
        gives: plan?.kind === 'post' ? `${plan.wind.turns.toFixed(1)}, ${plan.nut === null ? '–' : degrees(plan.nut.vertical)}` : '–',
      };
    }),
  );
  protected readonly rows = computed(() => {
    const picture = this.picture();
    if (picture === null) return [];
    return SIDES.flatMap(({ side, name }) => {
      const row = measuredRow(picture.instrument, side);
      if (row === null || picture.instrument.headstock.layout === 'headless') return [];
      const mm = (key: 'nutToFirst' | 'firstToLast' | 'firstAside' | 'lastAside') => ({
        key,
        value: Number(toMillimetres(row[key]).toFixed(1)),
      });
      return [{ side, name, fields: [mm('nutToFirst'), mm('firstToLast'), mm('firstAside'), mm('lastAside')] }];
    });
  });
  protected readonly rowNames = {
    nutToFirst: 'nut to first post',
    firstToLast: 'first to last post',
    firstAside: 'first post from the centre',
    lastAside: 'last post from the centre',
  } as const;

  /** What is no number stays so, and is refused in words; the drawing keeps to the last that was one. */
  protected readonly typed = (value: number | null): number => value ?? Number.NaN;

  protected changePost(index: number, key: PostMeasure, mm: number): void {
    this.movePost(index, { [key]: mm });
  }

  private movePost(index: number, change: Partial<Geometry['strings'][number]['post']>): void {
    this.edit((geometry) => ({
      ...geometry,
      strings: geometry.strings.map((string, at) => (at === index ? { ...string, post: { ...string.post, ...change } } : string)),
    }));
  }

  protected changeHead(change: Partial<Geometry['headstock']>): void {
    this.edit((geometry) => ({ ...geometry, headstock: { ...geometry.headstock, ...change } }));
  }

  protected change(change: Partial<Pick<Geometry, 'hand' | 'nutWidthMm' | 'gearRatio'>>): void {
    this.edit((geometry) => ({ ...geometry, ...change }));
  }

  protected changeTree(index: number, change: Partial<Geometry['trees'][number]>): void {
    this.edit((geometry) => ({ ...geometry, trees: geometry.trees.map((tree, at) => (at === index ? { ...tree, ...change } : tree)) }));
  }

  protected setTreeStrings(index: number, typed: string): void {
    const strings = typed
      .split(/[\s,]+/)
      .filter((part) => part !== '')
      .map((part) => Number(part) - 1);
    this.changeTree(index, { strings });
  }

  protected stringsUnder = ({ strings }: Geometry['trees'][number]): string => strings.map((index) => index + 1).join(' ');

  protected addTree(kind: 'tree' | 'bar'): void {
    const count = this.geometry()?.strings.length ?? 0;
    const strings = kind === 'bar' ? Array.from({ length: count }, (_, index) => index) : [0, 1].filter((index) => index < count);
    this.edit((geometry) => ({ ...geometry, trees: [...geometry.trees, { kind, alongMm: kind === 'bar' ? 20 : 50, dropMm: 4, strings }] }));
  }

  protected removeTree(index: number): void {
    this.edit((geometry) => ({ ...geometry, trees: geometry.trees.filter((_, at) => at !== index) }));
  }

  protected setRow(side: Side, key: 'nutToFirst' | 'firstToLast' | 'firstAside' | 'lastAside', mm: number): void {
    const geometry = this.sound();
    if (geometry === null || Number.isNaN(mm)) return;
    const instrument = toInstrument(geometry);
    const row = measuredRow(instrument, side);
    if (row === null) return;
    this.geometry.set(fromInstrument(withMeasuredPosts(instrument, { ...row, [key]: fromMillimetres(mm) })));
    this.framed.set(this.sound());
  }

  protected dragPost({ index, alongMm, sidewaysMm }: MovedPost): void {
    this.movePost(index, { alongMm: toStep(alongMm), sidewaysMm: toStep(sidewaysMm) });
  }

  protected settle(): void {
    this.framed.set(this.sound());
  }

  protected revert(): void {
    this.geometry.set(this.saved()?.geometry ?? null);
    this.settle();
    this.keeper.forget();
  }

  protected async keep(): Promise<void> {
    const [read, geometry] = [this.saved(), this.geometry()];
    if (read === null || geometry === null) return;
    const kept = await this.keeper.keep({
      read,
      untouched: (now, before) => [before.geometry, { ...geometry, measured: true }].some((each) => dequal(now.geometry, each)),
      send: ({ id, version }) =>
        this.api.call('changeGeometry', { params: { id }, body: { version, geometry: { ...geometry, measured: true } } }),
    });
    if (kept !== null)
      await this.router.navigate(kept.openJobId === null ? ['/register', kept.id] : ['/worksheet', kept.openJobId, 'wind']);
  }

  /** What was typed gives way to what stands now. */
  protected take(): void {
    const saved = this.saved();
    const now = saved === null ? null : this.keeper.inTheWayOf(saved);
    if (now !== null) this.passport.set(now);
    this.revert();
  }

  private edit(change: (geometry: Geometry) => Geometry): void {
    const geometry = this.geometry();
    if (geometry !== null) this.geometry.set(change(geometry));
  }
}

const sayMeasure = (value: unknown): string =>
  typeof value === 'number' ? String(Number(value.toFixed(2))) : typeof value === 'string' ? value : '–';

const tenth = (mm: number) => Math.round(mm * 10) / 10;
const toStep = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;

const FIELD_WORDS: Readonly<Record<string, string>> = {
  alongMm: 'from the nut',
  sidewaysMm: 'from the centre',
  diameterMm: 'diameter',
  holeHeightMm: 'hole above the face',
  holeDepthMm: 'depth',
  angleDeg: 'Headstock angle',
  faceDropMm: 'Face below the slots',
  nutWidthMm: 'Nut width',
  gearRatio: 'Gear ratio',
  dropMm: 'drop',
};

/** A field of the geometry as the page calls it: 'String 3, from the nut,'. */
export function inWords(path: readonly string[]): string {
  const [list, index] = path;
  const last = path.at(-1) ?? '';
  const word = FIELD_WORDS[last] ?? last;
  if (list === 'strings') return `String ${Number(index) + 1}, ${word},`;
  return list === 'trees' ? `Tree ${Number(index) + 1}, ${word},` : word;
}
