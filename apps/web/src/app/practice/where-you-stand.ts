import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { LEARNING } from '@gold-peg/craft/constants';
import type { Skill } from '@gold-peg/craft/skills';
import { scaleLinear } from 'd3';
import { PracticeRun } from './practice-run';
import { sayStanding, SKILL_WORDS } from './skill-words';

const WIDE = 330;
const FARTHEST = LEARNING.untaught.value;

/** How far from good work each skill lies, now and a month ago; a press takes one up. */
@Component({
  selector: 'peg-where-you-stand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <h2>Where you stand <small>good work ends at the mark</small></h2>
    <ul>
      @for (row of rows(); track row.skill) {
        <li [class.here]="row.here">
          <button matButton type="button" [attr.aria-pressed]="row.here" (click)="chosen.emit(row.skill)">
            <b>{{ row.name }}</b>
            <span [class.good]="row.good">{{ row.says }}</span>
          </button>
          <svg [attr.viewBox]="'0 0 ' + WIDE + ' 14'" preserveAspectRatio="none" aria-hidden="true">
            <rect class="good-part" y="7" height="5" [attr.width]="mark" />
            <line class="rule" x1="0" [attr.x2]="WIDE" y1="12" y2="12" />
            <line class="limit" [attr.x1]="mark" [attr.x2]="mark" y1="2" y2="13" />
            @if (row.monthAgo !== null) {
              <circle [attr.cx]="row.monthAgo" cy="8" r="4" />
            }
            @if (row.tried) {
              <path [attr.d]="'M' + row.at + ' 12 l-5 -9 h10 z'" [class.good]="row.good" />
            }
          </svg>
        </li>
      }
    </ul>
  `,
  styleUrl: './where-you-stand.scss',
})
export class WhereYouStand {
  /** The one that is looked at; where it is left out, the one in hand. */
  readonly here = input<Skill>();
  readonly chosen = output<Skill>();
  private readonly run = inject(PracticeRun);

  protected readonly WIDE = WIDE;
  private readonly x = scaleLinear([0, FARTHEST], [0, WIDE - 8]);
  protected readonly mark = this.x(1);
  protected readonly rows = computed(() =>
    this.run.standings().map((standing) => {
      const { skill, worth, tries, monthAgo } = standing;
      return {
        ...{ skill, name: SKILL_WORDS[skill].name, says: sayStanding(standing), tried: tries > 0 },
        ...{ good: tries > 0 && worth <= 1, at: this.place(worth), monthAgo: monthAgo === null ? null : this.place(monthAgo) },
        here: (this.here() ?? this.run.now()?.skill) === skill,
      };
    }),
  );

  /** What lies farther than somebody untaught stands at the end. */
  private place(worth: number): number {
    return this.x(Math.min(FARTHEST, worth));
  }
}
