import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { passed, stagesOf } from '@gold-peg/craft/worksheet';
import { WorksheetDesk } from '../desk';
import { STAGE_NAMES } from './stage-names';

/** The steel rule: one tick per string and stage, filled as strings pass. */
@Component({
  selector: 'peg-stage-rule',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <nav aria-label="Stages of the work">
      @for (stage of stages(); track stage.id) {
        <a
          [routerLink]="['/worksheet', desk.file()?.job?.id, stage.id]"
          [class.here]="stage.here"
          [class.all]="stage.all"
          [attr.aria-current]="stage.here ? 'step' : null"
          [attr.aria-label]="stage.label"
        >
          <span>{{ stage.name }}</span>
          <i aria-hidden="true">
            @for (tick of stage.ticks; track $index) {
              <b [class.done]="tick === 'done'" [class.next]="tick === 'next'"></b>
            }
          </i>
        </a>
      }
    </nav>
  `,
  styleUrl: './stage-rule.scss',
})
export class StageRule {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly stages = computed(() => {
    const sheet = this.desk.sheet();
    return stagesOf(sheet).map((id) => {
      const here = this.desk.stage() === id;
      const strings = passed(sheet, id);
      // in the order of the work, those of the job alone: a string that was left out shows as a gap
      const order = this.desk.run()?.order ?? strings.map((_, index) => index);
      const count = order.filter((string) => strings[string] === true).length;
      const ticks = order.map((string) => (strings[string] === true ? 'done' : here && string === this.desk.lane() ? 'next' : 'open'));
      return {
        id,
        name: STAGE_NAMES[id],
        here,
        all: count === order.length,
        ticks,
        label: `${STAGE_NAMES[id]}, ${count} of ${order.length} strings passed`,
      };
    });
  });
}
