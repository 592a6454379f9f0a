import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { scaleLinear } from 'd3';
import { cutZones, type CutZone, type WindPlan } from '@gold-peg/craft/procedure';
import { fromMillimetres, metres, toMillimetres, type Metres } from '@gold-peg/craft/units';

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

  private readonly picture = viewChild.required<ElementRef<SVGSVGElement>>('picture');
  protected readonly viewBox = `0 0 ${WIDTH} 124`;

  protected readonly longest = computed(() => Math.ceil((toMillimetres(this.plan().cut) * 1.45) / 20) * 20);
  protected readonly scale = computed(() => scaleLinear([0, this.longest()], [PAD, WIDTH - PAD]));
  protected readonly ticks = computed(() => {
    const step = this.longest() > 160 ? 2 : 1;
    return Array.from({ length: Math.floor(this.longest() / step) + 1 }, (_, index) => index * step).map((mm) => ({
      x: this.scale()(mm),
      height: mm % 10 === 0 ? 22 : mm % 5 === 0 ? 14 : 8,
      label: mm % (this.longest() > 160 ? 20 : 10) === 0 ? String(mm) : '',
    }));
  });
  protected readonly zones = computed(() =>
    cutZones(this.plan(), fromMillimetres(this.longest())).map(({ kind, from, to }) => {
      const x = this.scale()(toMillimetres(from));
      const width = this.scale()(toMillimetres(to)) - x;
      return { kind, x, width, middle: x + width / 2, name: width >= NAMED_FROM ? ZONE_NAMES[kind] : '' };
    }),
  );
  protected readonly mark = computed(() => this.scale()(toMillimetres(this.cut())));
  protected readonly cutMm = computed(() => Math.round(toMillimetres(this.cut()) * 10) / 10);
  protected readonly neighbour = computed(() => {
    const post = this.nextPost();
    return post === null || toMillimetres(post) > this.longest() ? null : this.scale()(toMillimetres(post));
  });
  protected readonly saysZone = computed(() => {
    const zone = cutZones(this.plan(), fromMillimetres(this.longest())).find(({ from, to }) => this.cut() >= from && this.cut() <= to);
    return `${this.cutMm()} mm past the post, ${zone === undefined ? '' : ZONE_NAMES[zone.kind]}`;
  });

  protected grab(event: PointerEvent): void {
    if (this.fixed()) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.drag(event);
  }

  protected drag(event: PointerEvent): void {
    if (this.fixed() || (event.type === 'pointermove' && event.buttons === 0)) return;
    const box = this.picture().nativeElement.getBoundingClientRect();
    const x = ((event.clientX - box.left) * WIDTH) / box.width;
    this.moveTo(Math.round(this.scale().invert(x) * 2) / 2);
  }

  protected press(event: KeyboardEvent): void {
    const steps: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -10, PageUp: 10 };
    const step = steps[event.key];
    if (step === undefined || this.fixed()) return;
    event.preventDefault();
    this.moveTo(Math.round(this.cutMm()) + step);
  }

  /** The mark stays on its rule: the rule has ends, as one of steel has. */
  private moveTo(mm: number): void {
    this.moved.emit(metres(fromMillimetres(Math.min(this.longest(), Math.max(0, mm)))));
  }
}
