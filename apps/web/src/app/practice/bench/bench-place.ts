import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { liftInTheMiddle } from '@gold-peg/craft/post';
import { toMillimetres } from '@gold-peg/craft/units';
import { Headstock } from '../../headstock';
import { lanesOf } from '../../lane/lane';
import { ownHand } from '../../preferences/own-hand';
import { Session } from '../../session/session';
import { Caution } from '../../ui/caution';
import { Fact } from '../../ui/fact';
import { PlaceHeader } from '../../ui/place-header';
import { LiftPicture } from '../exercises';
import { PlaySamples } from '../play-samples';
import { PracticeTabs } from '../practice-tabs';
import { BenchDial, EIGHTH, WHOLE } from './bench-dial';
import { BenchPitch } from './bench-pitch';
import { BenchPost } from './bench-post';
import { BenchRack } from './bench-rack';
import { BenchTray } from './bench-tray';
import { sayMistakes } from './bench-words';
import { BenchWorth } from './bench-worth';
import { KINDS, SimulatedBench } from './simulated-bench';
import { stepsOf } from './steps';

const [WIDE, HIGH] = [410, 262];
const LIFT_KEY_MM = 2;
/** Higher no hand lifts a string off its board. */
const HIGHEST_MM = 180;
const KEYS: Readonly<Record<string, string>> = { ' ': 'SPACE', Backspace: '⌫' };

/** A restring from end to end on a simulated instrument: what breaks costs nothing. */
@Component({
  selector: 'peg-bench-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BenchDial,
    BenchPitch,
    BenchPost,
    BenchRack,
    BenchTray,
    BenchWorth,
    Caution,
    Fact,
    Headstock,
    LiftPicture,
    MatButtonModule,
    MatFormFieldModule,
    MatSelectModule,
    PlaceHeader,
    PracticeTabs,
    RouterLink,
  ],
  providers: [PlaySamples, SimulatedBench],
  templateUrl: './bench-place.html',
  styleUrl: './bench-place.scss',
  host: { '(document:keydown)': 'press($event)', '(click)': 'letGo($event)' },
})
export class BenchPlace {
  /** Of an address that lays out a certain one: the kind, and the seed that hands and strings follow from. */
  readonly kind = input<string>();
  readonly seed = input<string>();
  protected readonly bench = inject(SimulatedBench);
  private readonly preferences = inject(Session).preferences;
  private readonly dial = viewChild(BenchDial);
  private readonly pitch = viewChild(BenchPitch);
  private readonly tray = viewChild(BenchTray);

  protected readonly KINDS = KINDS;
  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  /** A kind that was picked while something is done already: laid out once that is said. */
  protected readonly picked = signal<string | null>(null);

  protected readonly steps = computed(() => stepsOf(this.bench));
  protected readonly wrong = computed(() => sayMistakes(this.bench.restring(), this.bench.now()));
  protected readonly time = computed(() => {
    const seconds = Math.round(this.bench.now().seconds);
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')} min`;
  });
  protected readonly head = computed(() => {
    const { instrument, strings } = this.bench.restring();
    const lanes = lanesOf(
      instrument,
      strings.map(({ string }) => string),
    );
    const now = this.bench.now();
    const plans = strings.map(({ plan }, index) => {
      const on = now.strings[index];
      return on?.at === 'wound' ? on.plan : plan;
    });
    return {
      ...{ instrument, lanes, plans },
      done: now.strings.map(({ at }) => at === 'old' || at === 'wound'),
      bare: now.strings.map(({ at }) => at === 'off' || at === 'anchored'),
      laneCentres: lanes.map((_, index) => (HIGH * (index + 0.5)) / lanes.length),
    };
  });
  /** While the slack is left: the string lifted in its middle. What was wanted is shown once it is there. */
  protected readonly lift = computed(() => {
    if (this.bench.on().at !== 'anchored') return null;
    const { scale, string } = this.bench.to();
    return {
      ...{ scaleLength: scale, gaugeMm: toMillimetres(string.gauge), wound: string.construction === 'wound' },
      fistMm: toMillimetres(ownHand(this.preferences()).fist),
    };
  });
  /** How far it would have had to be lifted, told after. */
  protected readonly leftNow = computed(() => {
    const on = this.bench.on();
    if (on.at !== 'wound' || on.taut) return '';
    const { plan, scale } = this.bench.to();
    const [left, wanted] = [on.plan.slack, plan.slack].map((slack) => toMillimetres(liftInTheMiddle(slack, scale)).toFixed(0));
    return left === wanted ? `Lifted ${left} mm: as planned.` : `Lifted ${left} mm; ${wanted} mm were wanted.`;
  });
  protected readonly caution = computed(() => {
    const on = this.bench.on();
    if (on.at === 'old') return 'Never cut under tension: the end whips, the neck jumps, and a loose bridge falls.';
    if (on.at === 'wound' && on.judged)
      return 'On a real one the ends are needle sharp: hold the offcut while you cut it, coil it, bin it.';
    return 'A string coming up can break, here only on the screen: keep the habit, eyes and face away.';
  });

  constructor() {
    effect(() => {
      const [kind, seed] = [this.kind(), Number(this.seed())];
      const known = KINDS.some(({ id }) => id === kind) && Number.isInteger(seed) && seed > 0;
      if (kind !== undefined && known) untracked(() => this.layOutOnce(kind, seed));
    });
  }

  /** What an address asks for; where it lies there already it is gone on with. */
  private layOutOnce(kind: string, seed: number): void {
    const now = this.bench.restring();
    if (now.kind !== kind || now.seed !== seed) this.bench.begin(kind, seed);
  }

  protected pick(kind: string): void {
    if (this.bench.isBegun() && !this.bench.isFinished()) this.picked.set(kind);
    else this.bench.begin(kind);
  }

  protected layOut(kind: string | null): void {
    this.picked.set(null);
    if (kind !== null) this.bench.begin(kind);
  }

  /** A button that was clicked keeps no key: Space, letters and digits are those of the place again. */
  protected letGo(event: MouseEvent): void {
    if (event.detail > 0) (event.target as Element | null)?.closest<HTMLElement>('button, mat-chip-option')?.blur();
  }

  protected press(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey) return;
    const target = event.target as Element | null;
    if (target?.closest('input, [role=option], [role=listbox], [role=combobox], [role=tab]') != null) return;
    if (this.arrow(event)) return event.preventDefault();
    if (event.repeat || (event.key === ' ' && target?.closest('button, a') != null)) return;
    const does = this.keyed(event.key);
    if (does === null) return;
    event.preventDefault();
    does();
  }

  /** Arrows turn the button, or lift the string while its slack is left. */
  private arrow(event: KeyboardEvent): boolean {
    const up = event.key === 'ArrowRight' || event.key === 'ArrowUp';
    if (!up && event.key !== 'ArrowLeft' && event.key !== 'ArrowDown') return false;
    const way = up ? 1 : -1;
    const lifts = way * LIFT_KEY_MM * (event.shiftKey ? 5 : 1);
    if (this.bench.on().at === 'anchored') this.bench.liftMm.update((mm) => Math.min(HIGHEST_MM, Math.max(0, mm + lifts)));
    else this.dial()?.turn(way * (event.shiftKey ? WHOLE : event.altKey ? (this.dial()?.fine().turns ?? 0) : EIGHTH));
    return true;
  }

  private keyed(pressed: string): (() => void) | null {
    const key = (KEYS[pressed] ?? pressed).toUpperCase();
    const digit = Number(pressed);
    if (Number.isInteger(digit) && digit >= 1 && digit <= this.bench.restring().strings.length) return () => this.bench.take(digit - 1);
    const { main, others } = this.steps();
    const step =
      [main, ...others].find((each) => each?.key.toUpperCase() === key) ??
      this.tray()
        ?.held()
        .find((each) => each.key === key);
    if (step !== undefined && step !== null)
      return step.key === 'Space' && step.says === 'Pluck it' ? () => this.pitch()?.pluck() : step.does;
    const screw = this.dial()
      ?.screw()
      ?.steps.find((each) => each.key === key);
    if (screw !== undefined) return screw.does;
    if (key === 'L' && this.tray()?.cold() != null) return () => this.tray()?.letLie();
    if (key === 'P') return () => this.pitch()?.pluck();
    return key === 'B' ? () => this.bench.do({ do: 'press', string: this.bench.inHand() }) : null;
  }
}
