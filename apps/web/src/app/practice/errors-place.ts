import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, untracked } from '@angular/core';
import { MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { standingOf } from '@gold-peg/craft/exercises';
import { measureOf, SKILLS, type Skill } from '@gold-peg/craft/skills';
import { HouseClock } from '../server/house-clock';
import { houseTime } from '../server/house-zone';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { ErrorsChart } from './errors-chart';
import { PracticeLog } from './practice-log';
import { PracticeRun } from './practice-run';
import { PracticeTabs } from './practice-tabs';
import { sayStanding, SKILL_WORDS } from './skill-words';
import { WeeksChart } from './weeks-chart';
import { WhereYouStand } from './where-you-stand';

const MOST_SHOWN = 60;
const FIRST: Skill = 'slack';

/** How far off one was, skill by skill and over time. */
@Component({
  selector: 'peg-errors-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ErrorsChart, Fact, MatTableModule, PlaceHeader, PracticeTabs, RouterLink, Trouble, UnderWay, WeeksChart, WhereYouStand],
  providers: [PracticeLog, PracticeRun],
  template: `
    <peg-place-header heading="Practice" sub="Where you stand, and how it came about.">
      <peg-fact label="answered">{{ log.tries().length }}</peg-fact>
      <peg-fact label="skills tried">{{ tried() }} of {{ SKILLS.length }}</peg-fact>
    </peg-place-header>
    <peg-practice-tabs>
      @if (log.trouble(); as says) {
        <peg-trouble [says]="says" (again)="log.again()" />
      }
      @if (!log.opened()) {
        <peg-under-way says="Looking what you practised before …" />
      } @else {
        <div class="room">
          <div class="of">
            <h2>
              {{ WORDS[skill()].name }} <small class="soft">{{ WORDS[skill()].about }}</small>
            </h2>
            <p>{{ standing() }}. <a routerLink="/practice" [queryParams]="{ of: skill() }">practise it</a></p>
            <div class="charts">
              <section aria-label="The last twenty"><peg-errors-chart [skill]="skill()" /></section>
              <section aria-label="Week by week"><peg-weeks-chart [skill]="skill()" [now]="clock.now()" /></section>
            </div>
            @if (rows().length > 0) {
              <div class="table">
                <table mat-table [dataSource]="rows()" aria-label="Answers, the latest first">
                  <ng-container matColumnDef="at">
                    <th mat-header-cell *matHeaderCellDef>when</th>
                    <td mat-cell *matCellDef="let row">{{ row.at }}</td>
                  </ng-container>
                  <ng-container matColumnDef="level">
                    <th mat-header-cell *matHeaderCellDef>level</th>
                    <td mat-cell *matCellDef="let row">{{ row.level }}</td>
                  </ng-container>
                  <ng-container matColumnDef="off">
                    <th mat-header-cell *matHeaderCellDef>off by</th>
                    <td mat-cell *matCellDef="let row" [class.good]="row.good">{{ row.off }}</td>
                  </ng-container>
                  <ng-container matColumnDef="seed">
                    <th mat-header-cell *matHeaderCellDef>seed</th>
                    <td mat-cell *matCellDef="let row">{{ row.seed }}</td>
                  </ng-container>
                  <tr mat-header-row *matHeaderRowDef="COLUMNS"></tr>
                  <tr mat-row *matRowDef="let row; columns: COLUMNS"></tr>
                </table>
              </div>
            }
          </div>
          <aside aria-label="Where you stand"><peg-where-you-stand [here]="skill()" (chosen)="skill.set($event)" /></aside>
        </div>
      }
    </peg-practice-tabs>
  `,
  styleUrls: ['./practice-room.scss', './errors-place.scss'],
})
export class ErrorsPlace {
  protected readonly log = inject(PracticeLog);
  protected readonly clock = inject(HouseClock);
  protected readonly SKILLS = SKILLS;
  protected readonly WORDS = SKILL_WORDS;
  protected readonly COLUMNS = ['at', 'level', 'off', 'seed'];
  /** The one that was tried last, until another is looked at. */
  protected readonly skill = linkedSignal<Skill>(() => (this.log.opened() ? (untracked(this.log.tries).at(-1)?.skill ?? FIRST) : FIRST));

  protected readonly tried = computed(() => new Set(this.log.tries().map(({ skill }) => skill)).size);
  private readonly own = computed(() => this.log.tries().filter(({ skill }) => skill === this.skill()));
  protected readonly standing = computed(() => {
    const said = sayStanding(standingOf(this.skill(), this.log.tries()));
    return said.charAt(0).toUpperCase() + said.slice(1);
  });
  protected readonly rows = computed(() =>
    this.own()
      .slice(-MOST_SHOWN)
      .toReversed()
      .map(({ at, level, off, good, seed }) => ({
        ...{ level: level + 1, seed, good },
        at: houseTime({ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(at),
        off: this.sayOff(off),
      })),
  );

  private sayOff(off: number): string {
    if (measureOf(this.skill()) === 'choice') return off === 0 ? 'right' : 'wrong';
    const { unit, below, above } = SKILL_WORDS[this.skill()];
    return `${Math.abs(off).toFixed(unit === '¢' ? 1 : 0)} ${unit} ${off < 0 ? below : above}`;
  }
}
