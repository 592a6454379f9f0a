import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { personDraft, personOfHouse, type PersonOfHouse, type Role, type Standing } from '@gold-peg/contract/people';
import { TYPICAL_HAND } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';
import { DateTime } from 'luxon';
import { v7 as uuidV7 } from 'uuid';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { sayProblem } from '../server/server-problem';
import { HandsPicture } from './hands-picture';
import { ROLE_WORDS, ROLES_TO_PICK, sayOwnWays, STANDINGS_TO_PICK } from './house-words';
import { houseZone } from '../server/house-zone';

/** Somebody's link for a new passphrase, as it is shown once. */
interface Link {
  name: string;
  address: string;
  until: string;
}

/** Who works here, what each may do, whose hand is how large, and how they sign in again who forgot how. */
@Component({
  selector: 'peg-house-people',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HandsPicture, MatButtonModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  templateUrl: './house-people.html',
  styleUrl: './house-people.scss',
})
export class HousePeople {
  private readonly api = inject(Api);
  readonly people = input.required<readonly PersonOfHouse[]>();
  /** Something of the people is another now. */
  readonly changed = output();

  protected readonly ROLES = ROLES_TO_PICK;
  protected readonly ROLE_WORDS = ROLE_WORDS;
  protected readonly sayOwnWays = sayOwnWays;
  protected readonly STANDINGS = STANDINGS_TO_PICK;
  protected readonly keeper = new Keeper<PersonOfHouse>((current) => personOfHouse.parse(current));
  protected readonly fault = signal<string | null>(null);
  protected readonly link = signal<Link | null>(null);
  protected readonly adding = signal(false);
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(personDraft.shape.name)],
    role: ['technician' as Role],
    passphrase: ['', heldTo(personDraft.shape.passphrase)],
  });

  protected readonly hands = computed(() =>
    this.people()
      .filter(({ standing, role }) => standing === 'works' && role !== 'counter')
      .map(({ name, preferences: { hand } }) => ({
        name: name.split(' ')[0] ?? name,
        measured: hand !== null,
        fistMm: hand?.fistMm ?? toMillimetres(TYPICAL_HAND.fist),
        fingerMm: hand?.fingerMm ?? toMillimetres(TYPICAL_HAND.finger),
      })),
  );

  protected async change(person: PersonOfHouse, to: { role?: Role; standing?: Standing; name?: string }): Promise<void> {
    const wanted = { name: person.name, role: person.role, standing: person.standing, ...to };
    await this.keeper.keep({
      read: person,
      untouched: (now, before) => now.role === before.role && now.standing === before.standing && now.name === before.name,
      send: ({ id, version }) => this.api.call('changePerson', { params: { id }, body: { version, ...wanted } }),
    });
    this.keeper.now.set(null); // what stands now is in the list
    this.changed.emit();
  }

  protected async makeLink({ id, name }: PersonOfHouse): Promise<void> {
    await this.attempt(async () => {
      const { path, until } = await this.api.call('makeLink', { params: { id }, body: {} });
      this.link.set({
        name,
        address: new URL(path, location.origin).href,
        until: DateTime.fromISO(until, { zone: houseZone() }).toFormat('ccc d LLL, H:mm'),
      });
    });
  }

  protected async copy({ address }: Link): Promise<void> {
    await this.attempt(() => navigator.clipboard.writeText(address));
  }

  protected async endSessions({ id }: PersonOfHouse): Promise<void> {
    await this.attempt(async () => {
      await this.api.call('endSessions', { params: { id } });
    });
  }

  protected async add(): Promise<void> {
    this.fault.set(null);
    const draft = readForm(this.form, personDraft.omit({ id: true }));
    if (draft === null) return;
    try {
      await this.api.call('addPerson', { body: { id: uuidV7(), ...draft } });
      this.form.reset();
      this.adding.set(false);
      this.changed.emit();
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }

  private async attempt(act: () => Promise<void>): Promise<void> {
    this.fault.set(null);
    try {
      await act();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
    this.changed.emit();
  }
}
