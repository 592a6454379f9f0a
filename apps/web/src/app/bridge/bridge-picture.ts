import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  backEdge,
  edgeRise,
  forcesAt,
  restsFrom,
  type Band,
  type BridgeNow,
  type BridgeSpread,
  type FloatingBridge,
} from '@gold-peg/craft/balance';
import { FLOATING } from '@gold-peg/craft/constants';
import { metres, radians, toDegrees, type Metres } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { Drag, type Dragged } from '../ui/drag';
import { MeasuredWidth } from '../ui/measured-width';
import { clawSpot, coil, edgeSpot, hookSpot, largerFor, outline, saddleSpot, scaleOf, turnedSpot } from './bridge-shape';
import { sayPullWithin } from './pull-within';

const HEIGHT = 300;
/** One press of a key moves the claw so far. */
const NUDGE = metres(0.0002);

/** The claw between its ends: as near as springs that nothing pulls, and as far as its screws go. */
const clawReach = ({ springs: { free } }: FloatingBridge) => ({ min: free, max: metres(free + FLOATING.clawTravel.value / 1000) });
export function clawWithin(bridge: FloatingBridge, claw: Metres): Metres {
  const { min, max } = clawReach(bridge);
  return metres(Math.min(max, Math.max(min, claw)));
}

/** Ticks of the scale at the back edge, and how far apart they are at each magnification, mm. */
const HEIGHTS = [-2, -1, 0, 1, 2, 3];
const APART: Readonly<Record<number, number>> = { 5: 1, 2: 2, 1: 4 };

/** The bridge from the side, to scale, as the lever that it is. Its claw can be dragged: then everything is as it would be. */
@Component({
  selector: 'peg-bridge-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag, MatButtonModule, MeasuredWidth],
  templateUrl: './bridge-picture.html',
  styleUrl: './bridge-picture.scss',
})
export class BridgePicture {
  readonly now = input.required<BridgeNow>();
  /** Something is tried, and nothing of it was done. */
  readonly isTried = input(false);
  readonly mayTry = input(true);
  /** Tilts by all that is not measured, rad: as it is, and with all in tune; null where nobody reckoned them. */
  readonly bands = input<Record<'now' | 'inTune', Band> | null>(null);
  /** Bands of what it bears. */
  readonly spread = input<BridgeSpread | null>(null);
  /** The claw dragged to so far from the hook. */
  readonly clawTried = output<Metres>();
  /** Moved by a key, in above zero. */
  readonly clawNudged = output<Metres>();
  readonly springsTried = output<number>();
  /** Springs that are tried, where somebody may say that they are hooked in; null elsewhere. */
  readonly hooks = input<number | null>(null);
  readonly hooked = output<number>();
  readonly letBe = output();

  private readonly measures = inject(Measures);
  protected readonly HEIGHT = HEIGHT;
  protected readonly width = signal(480);
  private readonly inTune = computed(() => {
    const { bridge, claw } = this.now();
    const pitches = bridge.strings.map(({ pitch }) => pitch);
    return restsFrom(bridge, claw, pitches).angle;
  });
  protected readonly larger = computed(() => largerFor([this.now().angle, this.inTune()]));
  private readonly scale = computed(() =>
    scaleOf(this.width(), HEIGHT, FLOATING.springFree.value + FLOATING.clawTravel.value + 12, this.larger()),
  );

  protected readonly shape = computed(() => {
    const { angle, claw, bridge } = this.now();
    const scale = this.scale();
    const [saddle, hook, edge, stands] = [saddleSpot(scale, angle), hookSpot(scale, angle), edgeSpot(scale, angle), clawSpot(scale, claw)];
    return {
      outline: outline(scale, angle),
      saddle,
      hook,
      edge,
      claw: stands,
      knife: scale.edge,
      coil: coil({ x: stands.x + 12, y: stands.y }, hook),
      string: `M0 ${saddle.y.toFixed(1)}L${saddle.x.toFixed(1)} ${saddle.y.toFixed(1)}`,
      anchor: `M${saddle.x.toFixed(1)} ${saddle.y.toFixed(1)}L${turnedSpot(scale, angle, 4, -30).x.toFixed(1)} ${turnedSpot(scale, angle, 4, -30).y.toFixed(1)}`,
      springs: Array.from({ length: bridge.springs.count }, (_, index) => index),
      px: scale.px,
    };
  });
  /** Where it would lie with all in tune and the claw where it is; null where that is as good as level. */
  protected readonly ghost = computed(() => {
    const angle = this.inTune();
    if (Math.abs(toDegrees(angle)) < 0.2) return null;
    return { outline: outline(this.scale(), angle), says: this.sayTilt(angle) };
  });
  protected readonly heights = computed(() => {
    const scale = this.scale();
    const apart = APART[scale.larger] ?? 1;
    return HEIGHTS.map((nth) => nth * apart).map((mm) => ({ mm, y: scale.edge.y - scale.larger * mm * scale.px }));
  });
  protected readonly forces = computed(() => {
    const { bridge, claw, angle, rests } = this.now();
    const { strings, springs } = forcesAt(bridge, claw, angle, rests);
    const [up, down] = [FLOATING.saddleHeight.value, FLOATING.springDepth.value];
    return {
      strings: sayPullWithin(this.measures, strings, this.spread()?.strings),
      springs: sayPullWithin(this.measures, springs, this.spread()?.springs),
      up: say(this.measures.length(metres(up / 1000), 1)),
      down: say(this.measures.length(metres(down / 1000), 0)),
      moments: [`${strings.toFixed(0)} N × ${up} mm`, `${springs.toFixed(0)} N × ${down} mm`],
    };
  });
  protected readonly tilt = computed(() => this.sayTilt(this.now().angle));
  protected readonly ranges = computed(() => {
    const bands = this.bands();
    return bands === null ? null : { now: sayRange(bands.now, this.now().angle), inTune: sayRange(bands.inTune, this.inTune()) };
  });
  protected readonly rise = computed(() => {
    const rise = edgeRise(this.now().angle, backEdge);
    const size = say(this.measures.length(metres(Math.abs(rise)), 1));
    return Math.abs(rise) < 0.00005 ? 'back edge level' : `back edge ${size} ${rise > 0 ? 'high' : 'low'}`;
  });
  protected readonly label = computed(
    () =>
      `The bridge from the side: ${this.tilt()}, ${this.rise()}; strings pull ${this.forces().strings}, springs ${this.forces().springs}`,
  );
  protected readonly reach = computed(() => clawReach(this.now().bridge));
  protected readonly claw = computed(() => this.now().claw);

  protected drag({ x }: Dragged): void {
    const { edge, px } = this.scale();
    if (this.mayTry()) this.clawTried.emit(clawWithin(this.now().bridge, metres((edge.x - x) / px / 1000)));
  }

  protected nudge(event: KeyboardEvent): void {
    const by = { ArrowLeft: NUDGE, ArrowRight: metres(-NUDGE) }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    if (this.mayTry()) this.clawNudged.emit(by);
  }

  private sayTilt(angle: number): string {
    const degrees = Math.abs((angle * 180) / Math.PI);
    return degrees < 0.05 ? 'level' : `${degrees.toFixed(1)}° ${angle > 0 ? 'forward' : 'back'}`;
  }
}

/** Narrower than this a band says nothing, degrees. */
const NARROW = 0.1;

/** Degrees that a tilt may be, four times in five; nothing where that is narrow, or was reckoned before it changed. */
function sayRange({ low, high }: Band, angle: number): string {
  const [from, to, at] = [low, high, angle].map((each) => toDegrees(radians(each)));
  if (from === undefined || to === undefined || at === undefined) return '';
  if (to - from < NARROW || at < from - NARROW || at > to + NARROW) return '';
  return `${from.toFixed(1)}° to ${to.toFixed(1)}°`.replaceAll('-', '−');
}
