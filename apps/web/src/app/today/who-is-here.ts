import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatChipsModule, type MatChipSelectionChange } from '@angular/material/chips';
import type { Day } from '@gold-peg/contract/day';
import { dateOf } from '../day';

/** Who is at the bench today: whoever falls ill is taken out by a press, and the plan follows. */
@Component({
  selector: 'peg-who-is-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatChipsModule],
  template: `<section aria-labelledby="who-heading">
    <h2 id="who-heading">At the bench today</h2>
    <mat-chip-listbox multiple aria-labelledby="who-heading">
      @for (person of people(); track person.id) {
        <mat-chip-option [selected]="person.here" (selectionChange)="change($event, person.id)">{{ person.name }}</mat-chip-option>
      }
    </mat-chip-listbox>
    <p class="soft">Whoever is away today is planned for nothing; what they began goes to others, if that keeps more promises.</p>
  </section>`,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: var(--space-2) var(--space-4);
      padding: var(--space-2) var(--space-5);
      border-bottom: 1px solid var(--line);
    }
    h2 {
      margin: 0;
      font: 600 18px var(--face-names);
    }
    p {
      margin: 0;
    }
  `,
})
export class WhoIsHere {
  readonly day = input.required<Day>();
  readonly away = output<{ personId: string; away: boolean }>();

  protected readonly people = computed(() => {
    const day = this.day();
    const date = dateOf(day);
    return day.people.map(({ id, name }) => {
      const own = day.hours.people.find(({ personId }) => personId === id);
      return { id, name, here: own?.away.includes(date) !== true };
    });
  });

  protected change({ isUserInput, selected }: MatChipSelectionChange, personId: string): void {
    if (isUserInput) this.away.emit({ personId, away: !selected });
  }
}
