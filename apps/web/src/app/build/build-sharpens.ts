import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Measure } from '@gold-peg/craft/instrument';
import { MEASURE_WORDS, saySharpens } from './build-words';
import { GeometryDraft } from './draft';

/** So many are told: what says less is not worth a rule. */
const TOLD = 6;

/** What nobody measured yet, and which number it would sharpen. */
@Component({
  selector: 'peg-build-sharpens',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <h2>What measuring would sharpen</h2>
    <ul>
      @for (each of told(); track each.measure) {
        <li>
          <b>{{ MEASURE_WORDS[each.measure] }}</b>
          <span>{{ says(each) }}</span>
          <button matButton type="button" class="quiet" (click)="take(each.measure)">measured: it is so</button>
        </li>
      } @empty {
        <li><span>Everything that a number hangs on was measured.</span></li>
      }
    </ul>
  `,
  styleUrl: './build-sharpens.scss',
})
export class BuildSharpens {
  protected readonly MEASURE_WORDS = MEASURE_WORDS;
  protected readonly says = saySharpens;
  protected readonly draft = inject(GeometryDraft);
  protected readonly told = computed(() => this.draft.sharpens().slice(0, TOLD));

  /** It was measured, and is what is typical. */
  protected take(measure: Measure): void {
    this.draft.edit((geometry) => geometry, measure);
  }
}
