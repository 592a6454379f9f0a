import { ChangeDetectionStrategy, Component, computed, inject, output, resource, signal } from '@angular/core';
import { type FormGroupDirective, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { exerciseSheetDraft } from '@gold-peg/contract/practice';
import { ARCHETYPES } from '@gold-peg/craft/archetypes';
import { HARDEST, SKILLS, type Skill } from '@gold-peg/craft/skills';
import { v7 as uuidV7 } from 'uuid';
import { heldTo, readForm, sayRefusal } from '../../form';
import { Api } from '../../server/api';
import { troubleOf } from '../../server/server-problem';
import { SKILL_WORDS } from '../skill-words';

const { title, forIds, skills, kinds, each } = exerciseSheetDraft.shape;
/** How exact, in widths of good work. */
const WITHIN = [
  { value: 0.5, label: 'twice as exact as good work' },
  { value: 1, label: 'good work' },
  { value: 1.5, label: 'half as much again' },
  { value: 2, label: 'twice as much: for beginners' },
];

/** What an owner of the house gives people to practise. */
@Component({
  selector: 'peg-sheet-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  template: `
    <h2>Give a sheet</h2>
    <form [formGroup]="form" (ngSubmit)="give(paper)" #paper="ngForm" novalidate>
      <label
        >Title
        <mat-form-field
          ><input matInput formControlName="title" autocomplete="off" /><mat-error
            >Title {{ form.controls.title.getError('says') }}</mat-error
          ></mat-form-field
        >
      </label>
      <div>
        To whom
        <mat-form-field>
          <mat-select aria-label="To whom" multiple formControlName="forIds" (openedChange)="askAgain($event)">
            @for (person of people(); track person.id) {
              <mat-option [value]="person.id">{{ person.name }}</mat-option>
            } @empty {
              <mat-option disabled>{{ trouble() ?? 'Looking who works here …' }}</mat-option>
            }
          </mat-select>
          <mat-error>To whom {{ form.controls.forIds.getError('says') }}</mat-error>
        </mat-form-field>
      </div>
      <div>
        Skills
        <mat-form-field>
          <mat-select aria-label="Skills" multiple formControlName="skills">
            @for (skill of SKILLS; track skill) {
              <mat-option [value]="skill">{{ WORDS[skill].name }}</mat-option>
            }
          </mat-select>
          <mat-error>Skills {{ form.controls.skills.getError('says') }}</mat-error>
        </mat-form-field>
      </div>
      <div>
        Kinds of instruments; none for all
        <mat-form-field>
          <mat-select aria-label="Kinds" multiple formControlName="kinds">
            @for (kind of KINDS; track kind.id) {
              <mat-option [value]="kind.id">{{ kind.name }}</mat-option>
            }
          </mat-select>
          <mat-error>Kinds {{ form.controls.kinds.getError('says') }}</mat-error>
        </mat-form-field>
      </div>
      <div class="pair">
        <label
          >Tries of each
          <mat-form-field
            ><input matInput type="number" formControlName="each" /><mat-error
              >Tries {{ form.controls.each.getError('says') }}</mat-error
            ></mat-form-field
          >
        </label>
        <div>
          Level
          <mat-form-field>
            <mat-select aria-label="Level" formControlName="level">
              @for (level of LEVELS; track level) {
                <mat-option [value]="level">{{ level + 1 }} of {{ LEVELS.length }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        </div>
      </div>
      <div>
        How far off they may usually be
        <mat-form-field>
          <mat-select aria-label="How far off" formControlName="within">
            @for (each of WITHIN; track each.value) {
              <mat-option [value]="each.value">{{ each.label }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
      </div>
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button matButton="filled" class="act" type="submit" [disabled]="busy()">Give it</button>
    </form>
  `,
  styleUrl: './sheet-form.scss',
})
export class SheetForm {
  private readonly api = inject(Api);
  readonly given = output();

  protected readonly SKILLS = SKILLS;
  protected readonly WORDS = SKILL_WORDS;
  protected readonly KINDS = ARCHETYPES;
  protected readonly LEVELS = Array.from({ length: HARDEST + 1 }, (_, level) => level);
  protected readonly WITHIN = WITHIN;
  protected readonly names = resource({ loader: () => this.api.call('listNames', {}) });
  protected readonly people = computed(() => (this.names.hasValue() ? this.names.value() : []));
  protected readonly trouble = computed(() => troubleOf(this.names));
  protected readonly fault = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly form = inject(NonNullableFormBuilder).group({
    title: ['', heldTo(title)],
    forIds: [[] as string[], heldTo(forIds)],
    skills: [[] as Skill[], heldTo(skills)],
    kinds: [[] as string[], heldTo(kinds)],
    each: [10, heldTo(each)],
    level: [0],
    within: [1],
  });

  /** Who opens the list of people wants them: where they could not be told, they are asked for once more. */
  protected askAgain(opened: boolean): void {
    if (opened && this.trouble() !== null) this.names.reload();
  }

  protected async give(paper: FormGroupDirective): Promise<void> {
    this.fault.set(null);
    const draft = readForm(this.form, exerciseSheetDraft.omit({ id: true }));
    if (draft === null || this.busy()) return;
    this.busy.set(true);
    try {
      await this.api.call('addSheet', { body: { id: uuidV7(), ...draft } });
      paper.resetForm();
      this.given.emit();
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    } finally {
      this.busy.set(false);
    }
  }
}
