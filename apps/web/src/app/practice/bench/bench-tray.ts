import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { floats } from '@gold-peg/craft/instrument';
import { coldNow } from '@gold-peg/craft/restring';
import { OneOf } from '../../ui/one-of';
import { SimulatedBench, type Tells } from './simulated-bench';

interface Held {
  key: string;
  says: string;
  on: boolean;
  does: () => void;
}

/** Less than this costs no string a cent or two. */
const NEXT_TO_NOTHING = 1;

const TELLS: readonly { value: Tells; label: string }[] = [
  { value: 'tuner', label: 'tuner' },
  { value: 'ear', label: 'by ear' },
  { value: 'touch', label: 'by touch' },
];

/** What is on or off for all strings: a hand that guides, eyes covered, a block, a nut; and what tells the pitch. */
@Component({
  selector: 'peg-bench-tray',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, OneOf],
  template: `
    @for (held of held(); track held.says) {
      <button matButton="outlined" type="button" [class.on]="held.on" [attr.aria-pressed]="held.on" (click)="held.does()">
        {{ held.says }} <b>{{ held.on ? 'on' : 'off' }}</b> <kbd>{{ held.key }}</kbd>
      </button>
    }
    @if (cold(); as kelvin) {
      <button matButton="outlined" type="button" (click)="letLie()">{{ kelvin }} °C under the room: let it lie 20 min <kbd>L</kbd></button>
    }
    <peg-one-of about="What tells the pitch" [choices]="TELLS" [value]="bench.tells()" (picked)="bench.tells.set($event)" />
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: var(--space-2) var(--space-3);
      padding: var(--space-2) var(--space-4);
      border-block: 1px solid var(--line);
      background: var(--paper-deep);
    }
    button {
      gap: var(--space-2);
    }
    .on {
      border-color: var(--felt);
      background: var(--paper);
      color: var(--felt);
    }
    peg-one-of {
      margin-inline-start: auto;
    }
  `,
})
export class BenchTray {
  protected readonly bench = inject(SimulatedBench);
  protected readonly TELLS = TELLS;

  /** How much colder than the room it is, °C, as it is said; null where that is next to nothing. */
  readonly cold = computed(() => {
    const kelvin = coldNow(this.bench.restring(), this.bench.now());
    return kelvin < NEXT_TO_NOTHING ? null : kelvin.toFixed(0);
  });

  letLie(): void {
    this.bench.do({ do: 'wait' });
  }

  readonly held = computed((): Held[] => {
    const { guided, eyesCovered, blocked, nutShut } = this.bench.now();
    const { bridge } = this.bench.restring().instrument;
    const held = (key: string, says: string, act: 'guide' | 'cover' | 'block' | 'nut', on: boolean): Held => ({
      ...{ key, says, on },
      does: () => this.bench.do({ do: act, on: !on }),
    });
    return [
      held('E', 'eye cover', 'cover', eyesCovered),
      held('H', 'guiding hand', 'guide', guided),
      ...(floats(bridge) ? [held('K', 'block under the bridge', 'block', blocked)] : []),
      ...(bridge.anchor === 'double-locking' ? [held('N', 'nut shut', 'nut', nutShut)] : []),
    ];
  });
}
