import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import { scaleLinear } from 'd3';
import { cutZones, type CutZone, type WindPlan } from '@gold-peg/craft/procedure';
import type { Metres } from '@gold-peg/craft/units';
import { Measures } from '../../preferences/measures';
import { markRule } from './rule-marking';

const WIDTH = 480;
const PAD = 16;
const ZONE_NAMES: Readonly<Record<CutZone['kind'], string>> = {
  scrap: 'scrap',
  few: 'few',
  good: 'good',
  many: 'many',
  'over-capacity': 'over the post',
};
/** Narrower zones are coloured but not named, px. */
const NAMED_FROM = 34;

/** A rule past the post with a mark that can be dragged: where to cut, and what each place would give. */
@Component({
  selector: 'peg-cut-rule',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cut-rule.html',
  styleUrl: './cut-rule.scss',
})
export class CutRule {
  /** The plan of the house: its zones stay where they are while the mark moves. */
  readonly plan = input.required<WindPlan>();
  readonly cut = input.required<Metres>();
  readonly nextPost = input<Metres | null>(null);
  readonly fixed = input(false);
  readonly moved = output<Metres>();

  private readonly measures = inject(Measures);
  private readonly picture = viewChild.required<ElementRef<SVGSVGElement>>('picture');
  protected readonly viewBox = `0 0 ${WIDTH} 124`;

  protected readonly marking = computed(() => markRule(this.plan().cut, this.measures.units().length));
  protected readonly scale = computed(() => scaleLinear([0, this.marking().longest], [PAD, WIDTH - PAD]));
  protected readonly ticks = computed(() => this.marking().ticks.map((tick) => ({ ...tick, x: this.scale()(tick.at) })));
  private readonly cuts = computed(() => cutZones(this.plan(), this.marking().toLength(this.marking().longest)));
  protected readonly zones = computed(() =>
    this.cuts().map(({ kind, from, to }) => {
      const x = this.place(from);
      const width = this.place(to) - x;
      return { kind, x, width, middle: x + width / 2, name: width >= NAMED_FROM ? ZONE_NAMES[kind] : '' };
    }),
  );
  protected readonly mark = computed(() => this.place(this.cut()));
  protected readonly value = computed(() => Number(this.marking().fromLength(this.cut()).toFixed(this.marking().digits)));
  protected readonly words = computed(() => `${this.value()} ${this.marking().unit} past the post`);
  protected readonly neighbour = computed(() => {
    const post = this.nextPost();
    return post === null || this.marking().fromLength(post) > this.marking().longest ? null : this.place(post);
  });
  protected readonly saysZone = computed(() => {
    const zone = this.cuts().find(({ from, to }) => this.cut() >= from && this.cut() <= to);
    return `${this.words()}, ${zone === undefined ? '' : ZONE_NAMES[zone.kind]}`;
  });

  private place(length: Metres): number {
    return this.scale()(this.marking().fromLength(length));
  }

  protected grab(event: PointerEvent): void {
    if (this.fixed()) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.drag(event);
  }

  protected drag(event: PointerEvent): void {
    if (this.fixed() || (event.type === 'pointermove' && event.buttons === 0)) return;
    const box = this.picture().nativeElement.getBoundingClientRect();
    const x = ((event.clientX - box.left) * WIDTH) / box.width;
    const { keyStep } = this.marking();
    this.moveTo(Math.round((this.scale().invert(x) / keyStep) * 2) * (keyStep / 2));
  }

  protected press(event: KeyboardEvent): void {
    const { keyStep, pageStep } = this.marking();
    const steps: Readonly<Record<string, number>> = {
      ArrowLeft: -keyStep,
      ArrowDown: -keyStep,
      ArrowRight: keyStep,
      ArrowUp: keyStep,
      PageDown: -pageStep,
      PageUp: pageStep,
    };
    const step = steps[event.key];
    if (step === undefined || this.fixed()) return;
    event.preventDefault();
    this.moveTo(Math.round(this.marking().fromLength(this.cut()) / keyStep) * keyStep + step);
  }

  /** The mark stays on its rule: the rule has ends, as one of steel has. */
  private moveTo(value: number): void {
    const { longest, toLength } = this.marking();
    this.moved.emit(toLength(Math.min(longest, Math.max(0, value))));
  }
}
