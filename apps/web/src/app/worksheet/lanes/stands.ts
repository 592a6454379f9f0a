import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { passed, stagesOf } from '@gold-peg/craft/worksheet';
import { isStringStage } from '@gold-peg/craft/stages';
import { WorksheetDesk } from '../desk';
import { STAGE_NAMES } from '../stage-rule';

/** Where a string stands on the whole rule: a tick for each stage, and the next one in words. */
@Component({
  selector: 'peg-stands',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (inJob()) {
    <span aria-hidden="true">
      @for (done of stands(); track $index) {
        <i [class.done]="done"></i>
      }
    </span>
    @if (words()) {
      <small>{{ says() }}</small>
    } @else {
      <span class="visually-hidden">{{ says() }}</span>
    }
  }`,
  styles: `
    :host {
      display: block;
    }
    span[aria-hidden] {
      display: flex;
      gap: 2px;
    }
    i {
      flex: 1;
      max-width: 8px;
      height: 12px;
      border-bottom: 2px solid var(--line-strong);
    }
    .done {
      border: 0;
      background: var(--felt);
    }
    small {
      color: var(--ink-soft);
      font-size: 13px;
      white-space: nowrap;
    }
  `,
})
export class Stands {
  /** Zero-based. */
  readonly lane = input.required<number>();
  /** The next stage in words beside the ticks. */
  readonly words = input(true);

  private readonly desk = inject(WorksheetDesk);
  /** A string that is no part of the job stands nowhere on its rule. */
  protected readonly inJob = computed(() => this.desk.inJob()[this.lane()] !== false);
  private readonly stages = computed(() => stagesOf(this.desk.sheet()).filter(isStringStage));
  protected readonly stands = computed(() => this.stages().map((stage) => passed(this.desk.sheet(), stage)[this.lane()] ?? false));
  protected readonly says = computed(() => {
    const next = this.stages()[this.stands().indexOf(false)];
    return next === undefined ? 'all done' : `next ${STAGE_NAMES[next]}`;
  });
}
