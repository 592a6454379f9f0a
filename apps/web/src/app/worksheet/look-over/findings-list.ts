import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { advise, compareFindings, lookedAt } from '@gold-peg/craft/findings';
import { BenchActions } from '../actions';
import { WorksheetDesk } from '../desk';
import { COURSE_NAMES, REFERRAL_NAMES, sayFinding, SEVERITY_NAMES } from './finding-words';

/** What was found, how it went on since last time, and what is to be done about it. */
@Component({
  selector: 'peg-findings-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<h2>Findings, now and before</h2>
    <ul aria-label="Findings">
      @for (row of rows(); track row.key) {
        <li [class.gone]="row.gone" [class.grave]="row.grave">
          <b>{{ row.says }}</b> <span>{{ row.course }}{{ row.severity }}</span>
          @if (row.gone && !desk.closed()) {
            <button matButton type="button" class="quiet" (click)="still(row.key)">still so</button>
          } @else if (row.eventId && !desk.closed()) {
            <button matButton type="button" class="quiet" [attr.aria-label]="'Take back: ' + row.says" (click)="takeBack(row.eventId)">
              take back
            </button>
          }
          @if (!row.gone) {
            <small>{{ row.advice }}</small>
            @if (row.toWind !== null) {
              <button matButton type="button" class="quiet lead" (click)="toWind(row.toWind)">its angle and turns, at Wind …</button>
            }
          }
        </li>
      } @empty {
        <li class="none">Nothing found, now or before.</li>
      }
    </ul>`,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0 8px;
      padding: 2px 0 2px 8px;
      border-bottom: 1px solid var(--line);
      border-left: 3px solid var(--brass-line);
      font-size: 15px;
      line-height: 1.3;
    }
    b {
      grid-column: 1;
    }
    span {
      grid-column: 1;
      color: var(--ink-soft);
    }
    button {
      grid-column: 2;
      grid-row: 1 / 3;
      min-height: 36px;
    }
    small {
      grid-column: 1 / -1;
      font-size: 14px;
    }
    .lead {
      grid-column: 1 / -1;
      grid-row: auto;
      justify-self: start;
    }
    .grave {
      border-left-color: var(--oxide);
    }
    .gone {
      border-left-style: dotted;
    }
    .none {
      border-left: 0;
      color: var(--ink-soft);
    }
  `,
})
export class FindingsList {
  protected readonly desk = inject(WorksheetDesk);
  private readonly actions = inject(BenchActions);
  protected readonly rows = computed(() => {
    const now = this.desk.sheet().findings;
    return compareFindings(
      now.map(({ payload }) => payload),
      this.desk.openBefore(),
    ).map(({ finding, course }) => {
      const advice = advise(finding);
      const gone = course === 'gone';
      return {
        key: sayFinding(finding),
        says: sayFinding(finding),
        course: gone && !lookedAt(finding, this.desk.looks()) ? 'found before, not yet today' : COURSE_NAMES[course],
        severity: gone ? '' : ` · ${SEVERITY_NAMES[finding.severity]}${finding.text === '' ? '' : ` · ${finding.text}`}`,
        gone,
        grave: !gone && finding.severity === 'now',
        eventId: now.find(({ payload }) => payload === finding)?.id ?? null,
        toWind: !gone && finding.what === 'open-rings' && finding.string !== null ? finding.string - 1 : null,
        advice: advice.refer === null ? advice.says : `${advice.says} ${REFERRAL_NAMES[advice.refer]}.`,
      };
    });
  });

  /** To the nut angle of that string, its turns, and the ways that set them. */
  protected toWind(lane: number): Promise<void> {
    this.desk.lane.set(lane);
    return this.actions.go('wind');
  }

  protected takeBack(eventId: string): Promise<void> {
    return this.desk.happens({ kind: 'undone', payload: { eventId } });
  }

  /** What was found before is found again, as bad as it was. */
  protected async still(key: string): Promise<void> {
    const before = this.desk.openBefore().find((finding) => sayFinding(finding) === key);
    if (before !== undefined) await this.desk.happens({ kind: 'found', payload: before });
  }
}
