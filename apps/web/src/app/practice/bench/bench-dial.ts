import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { HAND_SECONDS } from '@gold-peg/craft/constants';
import { pegFeel, type PegFeel } from '@gold-peg/craft/restring';
import { timer, type Subscription } from 'rxjs';
import { SimulatedBench } from './simulated-bench';

/** What a press, a notch of the wheel and a key turn; with Shift a whole turn. */
export const [EIGHTH, WHOLE] = [1 / 8, 1];
/** With Alt, on gears and without them. */
const [FINE, DEGREE] = [1 / 100, 1 / 360];
/** Held for so long a press goes on, so often, and no faster than a hand with a winder turns. */
const [HELD_MS, AGAIN_MS, A_TURN_MS] = [400, 120, 1000 * HAND_SECONDS.buttonTurn.value];
const FEELS: Readonly<Record<PegFeel, string>> = { light: 'lightly', firm: 'firmly', stiff: 'stiffly, by jerks' };
const TICKS = Array.from({ length: 24 }, (_, tick) => tick * 15);

/** The button of the peg in hand, as it stands: pressed, by the wheel, or by the arrow keys. */
@Component({
  selector: 'peg-bench-dial',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <svg viewBox="-52 -52 104 104" aria-hidden="true" (wheel)="roll($event)">
      <circle class="plate" r="46" />
      @for (tick of TICKS; track tick) {
        <line y1="-45" [attr.y2]="tick % 45 === 0 ? -37 : -41" [attr.transform]="'rotate(' + tick + ')'" />
      }
      <rect class="button" x="-13" y="-34" width="26" height="68" rx="11" [attr.transform]="'rotate(' + degrees() + ')'" />
      <text y="6">{{ bench.inHand() + 1 }}</text>
    </svg>
    <div>
      <p>
        <b>{{ said().turns }}</b><span class="soft">{{ said().of }}</span>
      </p>
      <p class="soft">{{ said().way }}</p>
      <div class="presses">
        @for (press of presses(); track press.label) {
          <button
            matButton="outlined"
            type="button"
            [attr.aria-label]="press.label"
            (pointerdown)="hold(press.turns, $event.button)"
            (pointerup)="letGo()"
            (pointerleave)="letGo()"
            (pointercancel)="letGo()"
            (click)="once(press.turns, $event.detail)"
          >
            {{ press.sign }}
          </button>
        }
      </div>
      @if (screw(); as screw) {
        <div class="screw">
          <span>peg turns {{ screw.feels }}</span>
          @for (step of screw.steps; track step.key) {
            <button matButton="outlined" type="button" (click)="step.does()">
              {{ step.says }} <kbd>{{ step.key }}</kbd>
            </button>
          }
        </div>
      }
      <p class="soft small">held it goes on; wheel and arrow keys an eighth, ⇧ a turn, Alt {{ fine().says }}</p>
    </div>
  `,
  styleUrl: './bench-dial.scss',
})
export class BenchDial {
  protected readonly bench = inject(SimulatedBench);
  protected readonly TICKS = TICKS;
  private held: Subscription | null = null;
  private wentOn = false;
  /** A peg without gears is turned by the degree. */
  readonly fine = computed(() => (this.feels() === null ? { says: 'a hundredth', turns: FINE } : { says: 'a degree', turns: DEGREE }));
  protected readonly presses = computed(() => {
    const { says, turns } = this.fine();
    return [
      { label: 'a turn down', sign: '⇤', turns: -WHOLE },
      { label: 'an eighth down', sign: '←', turns: -EIGHTH },
      { label: `${says} down`, sign: '−', turns: -turns },
      { label: `${says} up`, sign: '+', turns },
      { label: 'an eighth up', sign: '→', turns: EIGHTH },
      { label: 'a turn up', sign: '⇥', turns: WHOLE },
    ];
  });

  private readonly feels = computed(() => pegFeel(this.bench.restring(), this.bench.now(), this.bench.inHand()));
  /** The screw of a peg that friction alone holds; null where gears do. */
  readonly screw = computed(() => {
    const [feels, string] = [this.feels(), this.bench.inHand()];
    if (feels === null) return null;
    const by = (key: string, says: string, eighths: number) => ({ key, says, does: () => this.bench.do({ do: 'snug', string, eighths }) });
    return { feels: FEELS[feels], steps: [by('T', 'snug', 1), by('Y', 'ease', -1)] };
  });

  private readonly turned = computed(() => {
    const on = this.bench.on();
    return on.at === 'old' ? on.state.button : on.at === 'wound' ? (on.taut ? on.state.button : on.button) : 0;
  });
  private readonly behindNut = computed(() => this.bench.now().nutShut);
  protected readonly degrees = computed(() => (360 * this.turned()) % 360);
  protected readonly said = computed(() => {
    const { plan } = this.bench.to();
    const on = this.bench.on();
    if (this.behindNut()) return { turns: 'nut shut', of: 'fine tuner behind it', way: 'in draws it up' };
    const makes = on.at === 'wound' ? on.plan.buttonTurns : plan.buttonTurns;
    return {
      turns: this.turned().toFixed(1),
      of: on.at === 'old' || on.at === 'wound' ? `of about ${makes.toFixed(this.feels() === null ? 0 : 1)} button turns` : 'button turns',
      // not before it is said by whoever threads it
      way: on.at === 'old' || on.at === 'wound' ? `post ${plan.direction} winds up` : 'nothing on it',
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.letGo());
  }

  /** A button that is held goes on turning, as fast as a hand does, until it is let go. */
  protected hold(turns: number, button: number): void {
    this.letGo(); // a second finger takes over from the first
    this.wentOn = false;
    if (button !== 0) return; // a menu may keep to itself that this one was let go
    this.held = timer(HELD_MS, Math.max(AGAIN_MS, A_TURN_MS * Math.abs(turns))).subscribe(() => {
      this.wentOn = true;
      this.turn(turns);
    });
  }

  protected letGo(): void {
    this.held?.unsubscribe();
    this.held = null;
  }

  /** A press: one that was held has turned already. A key counts no presses, and is never that one. */
  protected once(turns: number, presses: number): void {
    if (!this.wentOn || presses === 0) this.turn(turns);
    this.wentOn = false;
  }

  turn(turns: number): void {
    const string = this.bench.inHand();
    this.bench.do({ do: this.behindNut() ? 'fine' : 'turn', string, turns });
  }

  protected roll(event: WheelEvent): void {
    event.preventDefault();
    this.turn(event.deltaY < 0 ? EIGHTH : -EIGHTH);
  }
}
