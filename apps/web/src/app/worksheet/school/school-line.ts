import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { stretchingInForce } from '@gold-peg/craft/bench-run';
import { floats } from '@gold-peg/craft/instrument';
import { isSoft } from '@gold-peg/craft/methods';
import { Measures, say } from '../../preferences/measures';
import { WorksheetDesk } from '../desk';
import { WindDialogs } from '../wind';
import { sayBlock } from './block-words';
import { sayStretching, saySchool } from './school-words';

/** Which school is in force here and whose it is, both reasons where they disagree, and the way to change it on the spot. */
@Component({
  selector: 'peg-school-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule],
  template: `@if (floats()) {
      <mat-checkbox [checked]="desk.sheet().blocked" [disabled]="desk.closed()" (change)="desk.block(!desk.sheet().blocked)"
        >a block holds the bridge level
        @if (bears(); as load) {
          <small>{{ load }}, an estimate</small>
        }
      </mat-checkbox>
    }
    <p class="soft">{{ says() }} <button matButton type="button" class="quiet" (click)="dialogs.ways(desk)">ways …</button></p>`,
  styles: `
    small {
      color: var(--ink-soft);
      font-size: 14px;
    }
    p {
      margin: 2px 0;
      font-size: 15px;
      line-height: 1.3;
    }
    button {
      min-height: 0;
    }
  `,
})
export class SchoolLine {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly dialogs = inject(WindDialogs);
  private readonly measures = inject(Measures);
  private readonly settling = computed(() => this.desk.stage() === 'settle');
  /** Whether a block under the bridge would change what may come off together. */
  protected readonly floats = computed(() => {
    const bridge = this.desk.instrument()?.bridge;
    return !this.settling() && bridge !== undefined && floats(bridge);
  });
  /** What a block bears: the springs are set for the strings that were on it. */
  protected readonly bears = computed(() => {
    const instrument = this.desk.asItCame();
    if (instrument === null) return '';
    return sayBlock(instrument, this.desk.oldStrings() ?? this.desk.strings(), (pull) => say(this.measures.pull(pull)));
  });
  protected readonly says = computed(() => {
    const [instrument, run] = [this.desk.instrument(), this.desk.run()];
    if (instrument === null || run === null) return '';
    if (!this.settling()) return saySchool(run.schools, this.desk.choices());
    const string = this.desk.lanes()[this.desk.lane()]?.string ?? null;
    const soft = string !== null && isSoft(string);
    return sayStretching(stretchingInForce(instrument, this.desk.choices(), soft), this.desk.choices());
  });
}
