import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { DateTime } from 'luxon';
import { momentOf } from '../day';
import { Api } from '../server/api';
import { Connection } from '../server/connection';
import { sayProblem } from '../server/server-problem';
import { Session } from '../session/session';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { HouseActs } from './house-acts';
import { HouseCopies } from './house-copies';
import { HousePeople } from './house-people';
import { HouseSessions } from './house-sessions';
import { HouseSupplies } from './house-supplies';
import { HouseTools } from './house-tools';
import { HouseWays } from './house-ways';
import { HouseWeek } from './house-week';
import { HouseYou } from './house-you';

/** Ways, people, hours and copies of the house; who is no owner sees the ways and hours, and what is their own. */
@Component({
  selector: 'peg-house-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Fact,
    HouseActs,
    HouseCopies,
    HousePeople,
    HouseSessions,
    HouseSupplies,
    HouseTools,
    HouseWays,
    HouseWeek,
    HouseYou,
    MatButtonModule,
    PlaceHeader,
    RouterLink,
    Trouble,
    UnderWay,
  ],
  templateUrl: './house-place.html',
  styleUrl: './house-place.scss',
})
export class HousePlace {
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  protected readonly away = inject(Connection).away;

  protected readonly byCode = this.session.byCode;
  private readonly isOwner = computed(() => this.session.person()?.role === 'owner' && !this.byCode());
  protected readonly day = resource({ loader: () => this.api.call('day', {}) });
  /** All that the office sees to, read together. */
  protected readonly office = resource({
    params: () => (this.isOwner() ? true : undefined),
    loader: async () => {
      const [people, devices, copies, acts] = await Promise.all([
        this.api.call('listPeople', {}),
        this.api.call('listDevices', {}),
        this.api.call('listCopies', {}),
        this.api.call('listActs', {}),
      ]);
      return { people, devices, copies, acts };
    },
  });
  protected readonly sessions = resource({
    params: () => (this.byCode() ? undefined : true),
    loader: () => this.api.call('listSessions', {}),
  });
  protected readonly trouble = computed(() => {
    const thrown = this.office.error() ?? this.sessions.error() ?? this.day.error();
    return thrown === undefined ? null : sayProblem(thrown.cause ?? thrown);
  });
  protected readonly today = computed(() => (this.day.hasValue() ? this.day.value() : null));
  protected readonly seen = computed(() => (this.office.hasValue() ? this.office.value() : null));
  /** It is asked for, or about to be: its place is kept for it. */
  protected readonly officeComes = computed(() => this.isOwner() && this.seen() === null && this.office.error() === undefined);
  protected readonly mine = computed(() => (this.sessions.hasValue() ? this.sessions.value() : null));

  protected readonly open = computed(() => {
    const day = this.today();
    if (day === null) return null;
    const all = day.people.flatMap(({ windows }) => windows);
    const now = all.filter(([from, until]) => from <= day.now && day.now < until).map(([, until]) => until);
    const at = (minute: number) => DateTime.fromJSDate(momentOf(day, minute), { zone: day.hours.zone });
    if (now.length > 0) return { label: 'open now', says: `until ${at(Math.max(...now)).toFormat('H:mm')}` };
    const next = all.map(([from]) => from).filter((from) => from > day.now);
    return next.length === 0 ? null : { label: 'closed now', says: `opens ${at(Math.min(...next)).toFormat('ccc H:mm')}` };
  });
  protected readonly lastCopy = computed(() => {
    const copy = this.seen()?.copies.copies.find(({ state }) => state === 'compared' || state === 'written');
    if (copy === undefined) return this.seen() === null ? null : 'none yet';
    return `${DateTime.fromISO(copy.madeAt, { zone: this.zone() }).toFormat('ccc H:mm')}, ${copy.state === 'compared' ? 'compared' : 'not opened'}`;
  });
  protected readonly counts = computed(() => {
    const [seen, mine] = [this.seen(), this.mine()];
    return seen === null || mine === null ? null : `${seen.people.filter(({ standing }) => standing === 'works').length}, ${mine.length}`;
  });
  protected readonly zone = computed(() => this.today()?.hours.zone ?? 'local');

  protected again(): void {
    this.office.reload();
    this.sessions.reload();
  }

  protected retry(): void {
    this.again();
    this.day.reload();
  }

  protected readonly staysIn = this.session.staysIn;

  protected signOut(): void {
    void this.session.signOut();
  }
}
