import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { scaleLinear } from 'd3';
import { cutZones, zoneAt, type CutZone, type WindPlan } from '@gold-peg/craft/procedure';
import type { Metres } from '@gold-peg/craft/units';
import { Measures } from '../../preferences/measures';
import { Drag, type Dragged } from '../../ui/drag';
import { markRule } from './rule-marking';

const WIDTH = 480;
/** How far a number must be from a line over it, px. */
const CLEAR_PX = 17;
const PAD = 16;
/** Half the breadth of the words under the mark. */
const HALF_WORDS = 84;
type ZoneNames = Readonly<Record<CutZone['kind'], string>>;
const ON_POST: ZoneNames = { scrap: 'scrap', few: 'few', good: 'good', many: 'many', 'over-capacity': 'over the post' };
const IN_CLAMP: ZoneNames = { ...ON_POST, many: 'little left', 'over-capacity': 'screw runs out' };
/** Narrower zones are coloured but not named, px. */
const NAMED_FROM = 34;

/** A rule past the post with a mark that can be dragged: where to cut, and what each place would give. */
@Component({
  selector: 'peg-cut-rule',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag],
  templateUrl: './cut-rule.html',
  styleUrl: './cut-rule.scss',
})
export class CutRule {
  /** The plan of the house: its zones stay where they are while the mark moves. */
  readonly plan = input.required<WindPlan>();
  readonly cut = input.required<Metres>();
  /** Of a slotted post: where the end is bent, short of the cut. */
  readonly bend = input<Metres | null>(null);
  readonly nextPost = input<Metres | null>(null);
  readonly fixed = input(false);
  readonly moved = output<Metres>();
  readonly putBack = output();

  private readonly measures = inject(Measures);
  protected readonly viewBox = `0 0 ${WIDTH} 124`;

  protected readonly marking = computed(() => markRule(this.plan().cut, this.measures.units().length));
  protected readonly scale = computed(() => scaleLinear([0, this.marking().longest], [PAD, WIDTH - PAD]));
  private readonly cuts = computed(() => cutZones(this.plan(), this.marking().toLength(this.marking().longest)));
  protected readonly zones = computed(() =>
    this.cuts().map(({ kind, from, to }) => {
      const x = this.place(from);
      const width = this.place(to) - x;
      return { kind, x, width, middle: x + width / 2, name: width >= NAMED_FROM ? this.zoneNames()[kind] : '' };
    }),
  );
  protected readonly mark = computed(() => this.place(this.cut()));
  protected readonly bendMark = computed(() => {
    const bend = this.bend();
    return bend === null
      ? null
      : { x: this.place(bend), says: `bend ${Number(this.marking().fromLength(bend).toFixed(this.marking().digits))}` };
  });
  /** Words under a mark near an end of the rule stand a little aside, so that they stay in the picture. */
  protected readonly wordsShift = computed(() => Math.max(0, HALF_WORDS - this.mark()) - Math.max(0, this.mark() + HALF_WORDS - WIDTH));
  /** Ticks of the rule; a number that the mark or the bend would strike through is left out. */
  protected readonly ticks = computed(() => {
    const struck = [this.mark(), ...(this.bendMark() === null ? [] : [this.bendMark()?.x ?? 0])];
    return this.marking().ticks.map((tick) => {
      const x = this.scale()(tick.at);
      return { ...tick, x, label: struck.some((line) => Math.abs(line - x) < CLEAR_PX) ? '' : tick.label };
    });
  });
  protected readonly value = computed(() => Number(this.marking().fromLength(this.cut()).toFixed(this.marking().digits)));
  private readonly zoneNames = computed(() => (this.plan().kind === 'clamp' ? IN_CLAMP : ON_POST));
  private readonly from = computed(() => (this.plan().kind === 'clamp' ? 'past the clamp' : 'past the post'));
  protected readonly label = computed(() => `Cut mark, ${this.from()}`);
  protected readonly words = computed(() => `${this.value()} ${this.marking().unit} ${this.from()}`);
  protected readonly neighbour = computed(() => {
    const post = this.nextPost();
    return post === null || this.marking().fromLength(post) > this.marking().longest ? null : this.place(post);
  });
  protected readonly saysZone = computed(() => `${this.words()}, ${this.zoneNames()[zoneAt(this.cuts(), this.cut())]}`);

  private place(length: Metres): number {
    return this.scale()(this.marking().fromLength(length));
  }

  protected drag({ x }: Dragged): void {
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
    if (event.key === 'Home' && !this.fixed()) {
      event.preventDefault();
      return this.putBack.emit();
    }
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
