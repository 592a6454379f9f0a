import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { isTick, stageOf, type BenchEvent } from '@gold-peg/craft/worksheet';
import { BenchLog } from '../bench-log/bench-log';
import { PlaceHeader } from '../ui/place-header';
import { houseTime } from '../server/house-zone';

/** Steps that could not be kept: what each was, why it was refused, and what can be done about it. */
@Component({
  selector: 'peg-set-aside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, PlaceHeader, RouterLink],
  template: `<peg-place-header heading="Set aside" sub="Steps of this device that could not be kept. They count nowhere until they are." />
    <ul>
      @for (row of rows(); track row.id) {
        <li>
          <p>
            <b>{{ row.what }}</b><span class="soft"> · {{ row.who }}, {{ row.at }}</span>
          </p>
          <p class="fault">{{ row.why }}</p>
          <p class="ways">
            <button matButton type="button" class="quiet" (click)="log.sendAgain(row.id)">send it again</button>
            <a matButton class="quiet" [routerLink]="row.worksheet">do it again at its worksheet</a>
            <button matButton type="button" class="quiet" (click)="log.throwAway(row.id)">throw it away</button>
          </p>
        </li>
      } @empty {
        <li>Nothing is set aside: every step was kept, or waits to be sent.</li>
      }
    </ul>`,
  styles: `
    ul {
      margin: var(--space-3) var(--space-5);
      padding: 0;
      list-style: none;
    }
    li {
      max-width: 80ch;
      padding: var(--space-3) 0;
      border-bottom: 1px solid var(--line);
    }
    p {
      margin: 0;
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 0 var(--space-4);
      align-items: baseline;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class SetAside {
  protected readonly log = inject(BenchLog);
  protected readonly rows = computed(() =>
    this.log.refused().map(({ id, jobId, event, says, personName }) => ({
      id,
      what: sayEvent(event),
      who: personName ?? 'somebody',
      at: WHEN.format(new Date(event.at)),
      why: says ?? 'No reason was given.',
      worksheet: ['/worksheet', jobId, ...(isTick(event) ? [stageOf(event.kind)] : [])],
    })),
  );
}

const WHEN = houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' });

function sayEvent(event: BenchEvent): string {
  const kind = event.kind.replaceAll('-', ' ');
  const string = 'string' in event ? `, string ${event.string}` : '';
  const text = event.kind === 'noted' ? `: “${event.payload.text}”` : '';
  return kind + string + text;
}
