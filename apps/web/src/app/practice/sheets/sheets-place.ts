import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { RouterLink } from '@angular/router';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { ExerciseSheet } from '@gold-peg/contract/practice';
import { sheetResults } from '@gold-peg/craft/exercises';
import { Api } from '../../server/api';
import { houseTime } from '../../server/house-zone';
import { sayProblem } from '../../server/server-problem';
import { Session } from '../../session/session';
import { Fact } from '../../ui/fact';
import { PlaceHeader } from '../../ui/place-header';
import { Trouble } from '../../ui/trouble';
import { UnderWay } from '../../ui/under-way';
import { PracticeLog } from '../practice-log';
import { PracticeTabs } from '../practice-tabs';
import { sayStanding, SKILL_WORDS } from '../skill-words';
import { SheetForm } from './sheet-form';
import { SheetList } from './sheet-list';
import { SheetResults } from './sheet-results';

/** What the house asks its people to practise, what came of it, and how those stand who let it be seen. */
@Component({
  selector: 'peg-sheets-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fact, MatButtonModule, MatSlideToggleModule, PlaceHeader, PracticeTabs, RouterLink, SheetForm, SheetResults, Trouble, UnderWay],
  providers: [PracticeLog, SheetList],
  templateUrl: './sheets-place.html',
  styleUrls: ['../practice-room.scss', './sheets-place.scss'],
})
export class SheetsPlace {
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  private readonly log = inject(PracticeLog);
  protected readonly list = inject(SheetList);

  protected readonly isOwner = computed(() => this.session.person()?.role === 'owner');
  protected readonly shows = computed(() => this.session.preferences().showsPractice);
  /** Those given to the person at the bench, with what they did by now, sent or not. */
  protected readonly own = computed(() => {
    const [me, tries] = [this.session.person()?.id, this.log.tries()];
    return this.sheets()
      .filter(({ people }) => people.some(({ id }) => id === me))
      .map((sheet) => {
        const results = sheetResults(
          sheet,
          tries.filter(({ sheetId }) => sheetId === sheet.id),
        );
        return { sheet, from: sayFrom(sheet), people: [{ name: '', results }], open: results.some(({ reached }) => reached === null) };
      });
  });
  protected readonly open = computed(() => this.own().filter(({ open }) => open).length);
  protected readonly given = computed(() =>
    this.isOwner() ? this.sheets().map((sheet) => ({ sheet, from: sayFrom(sheet), csv: csvOf(sheet) })) : [],
  );
  protected readonly learners = resource({
    params: () => (this.isOwner() ? true : undefined),
    loader: () => this.api.call('listLearners', {}),
  });
  protected readonly standings = computed(() =>
    (this.learners.hasValue() ? this.learners.value() : []).map(({ id, name, standings }) => ({
      ...{ id, name },
      skills: standings
        .filter(({ tries }) => tries > 0)
        .map((standing) => ({ name: SKILL_WORDS[standing.skill].name, says: sayStanding(standing), good: standing.worth <= 1 })),
    })),
  );
  protected readonly fault = signal<string | null>(null);

  protected async takeBack({ id }: ExerciseSheet): Promise<void> {
    this.fault.set(null);
    try {
      await this.api.call('takeSheetBack', { params: { id } });
      await this.list.read();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }

  protected show(showsPractice: boolean): void {
    void this.session.prefer({ showsPractice });
  }

  private readonly sheets = computed(() => this.list.sheets() ?? []);
}

const sayFrom = ({ madeBy, madeAt }: ExerciseSheet): string =>
  `${madeBy.name}, ${houseTime({ weekday: 'short', day: 'numeric', month: 'short' }).format(new Date(madeAt))}`;
const csvOf = ({ id }: ExerciseSheet): string => ENDPOINTS.sheetCsv.path.replace(':id', id);
