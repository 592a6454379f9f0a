import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { OnPost } from '@gold-peg/craft/restring';
import { toMillimetres } from '@gold-peg/craft/units';
import { Measures } from '../../preferences/measures';
import { LaneBadge } from '../../ui/lane-badge';
import { splitNote } from '../../ui/string-face';
import { SimulatedBench } from './simulated-bench';

interface Stands {
  says: string;
  tone: 'good' | 'bad' | '';
}

/** Each string as it stands: its turns, how far from its note, and what was done with it; a press takes it in hand. */
@Component({
  selector: 'peg-bench-rack',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LaneBadge, MatButtonModule],
  template: `
    <p class="head" aria-hidden="true"><span>string</span><span>turns</span><span>from its note</span><span>as it stands</span></p>
    <ul aria-label="Strings" [class.many]="rows().length > 6">
      @for (row of rows(); track row.number) {
        <li [class.here]="row.here">
          <button matButton type="button" [attr.aria-pressed]="row.here" (click)="bench.take(row.number - 1)">
            <peg-lane-badge [number]="row.number" [state]="row.here ? 'in-hand' : row.done ? 'done' : 'open'" />
            <b class="note"
              >{{ row.letter }}<sub>{{ row.octave }}</sub></b
            >
            <span class="gauge">{{ row.gauge }}</span>
            <span class="turns">{{ row.turns }}</span>
            <span class="cents" [class.near]="row.near">{{ row.cents }}</span>
            <span class="stands" [class]="row.stands.tone">{{ row.stands.says }}</span>
          </button>
        </li>
      }
    </ul>
  `,
  styleUrl: './bench-rack.scss',
})
export class BenchRack {
  protected readonly bench = inject(SimulatedBench);
  private readonly measures = inject(Measures);

  protected readonly rows = computed(() => {
    const { strings, instrument } = this.bench.restring();
    return strings.map(({ string }, index) => {
      const on = this.bench.now().strings[index] ?? { at: 'off' as const };
      const off = this.bench.tells() === 'tuner' ? (this.bench.cents()[index] ?? null) : null;
      return {
        ...splitNote(instrument.strings[index]?.note ?? ''),
        number: index + 1,
        here: index === this.bench.inHand(),
        done: on.at === 'wound' && on.judged && on.trimmed,
        gauge: this.measures.gauge(toMillimetres(string.gauge)),
        turns: turnsOf(on, instrument.gearRatio),
        cents: off === null ? '' : `${off < 0 ? '−' : '+'}${Math.abs(off).toFixed(0)} ¢`,
        near: off !== null && Math.abs(off) <= 5,
        stands: standsOf(on),
      };
    });
  });
}

function turnsOf(on: OnPost, gearRatio: number): string {
  if (on.at !== 'wound') return '';
  return on.taut ? Math.max(0, on.plan.wind.turns).toFixed(1) : `${(on.button / gearRatio).toFixed(1)} …`;
}

function standsOf(on: OnPost): Stands {
  switch (on.at) {
    case 'old':
      return { says: on.state.body >= on.of.path - on.of.pastNut ? 'old, let down' : 'old', tone: '' };
    case 'cut':
      return { says: 'cut', tone: 'bad' };
    case 'off':
      return { says: 'off', tone: '' };
    case 'anchored':
      return { says: 'anchored', tone: '' };
    case 'wound': {
      const crossings = on.laid.filter((beside) => !beside).length;
      if (crossings > 0) return { says: `${crossings} crossing${crossings === 1 ? '' : 's'}`, tone: 'bad' };
      if (!on.taut) return { says: 'slack', tone: '' };
      if (on.trimmed) return { says: on.judged ? 'done' : 'cut, not judged', tone: on.judged ? 'good' : 'bad' };
      return on.judged ? { says: 'holds', tone: 'good' } : { says: on.rounds === 0 ? 'coming up' : `${on.rounds} stretched`, tone: '' };
    }
  }
}
