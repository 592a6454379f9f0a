import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { SKILLS, type Skill } from '@gold-peg/craft/skills';
import { Caution } from '../ui/caution';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import {
  BalanceExerciseView,
  CentsExerciseView,
  FaultExerciseView,
  NutExerciseView,
  NylonExerciseView,
  OctaveExerciseView,
  OrderExerciseView,
  SlackExerciseView,
  SlipExerciseView,
  WhichExerciseView,
  WindingExerciseView,
} from './exercises';
import { PracticeLog } from './practice-log';
import { PracticeRun } from './practice-run';
import { PracticeTabs } from './practice-tabs';
import { SheetList } from './sheets';
import { sayGood, SKILL_WORDS } from './skill-words';
import { WhereYouStand } from './where-you-stand';

const SHARP = 'On a real one the ends are needle sharp: hold the offcut while you cut it, coil it, bin it.';
const FLIES = 'A real string that comes up too far breaks and flies: eyes and face away from it, eye protection on.';
/** What can hurt where the same is done on a real instrument. */
const CAUTIONS: Readonly<Record<Skill, string>> = {
  slack: SHARP,
  'winding-side': SHARP,
  'which-string': 'Loose strings spring open: coil them, keep their ends away from eyes and from children.',
  octave: FLIES,
  cents: FLIES,
  'stretch-or-slip': FLIES,
  nylon: 'A tie that runs lets the end fly at the top: look at it before the string is brought up again.',
  'nut-angle': FLIES,
  fault: SHARP,
  balance: 'Springs under tension jump off their hooks: hold them with pliers, eyes away. A string that is drawn up too far breaks.',
  order: 'Never cut under tension: the end whips, the neck jumps, and a loose bridge falls.',
};

/** Skills of the bench, practised on simulated instruments: one exercise after the other, and where one stands. */
@Component({
  selector: 'peg-practice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BalanceExerciseView,
    Caution,
    CentsExerciseView,
    Fact,
    FaultExerciseView,
    MatButtonModule,
    NutExerciseView,
    NylonExerciseView,
    OctaveExerciseView,
    OrderExerciseView,
    PlaceHeader,
    PracticeTabs,
    SlackExerciseView,
    SlipExerciseView,
    Trouble,
    UnderWay,
    WhereYouStand,
    WhichExerciseView,
    WindingExerciseView,
  ],
  providers: [PracticeLog, PracticeRun, SheetList],
  templateUrl: './practice-place.html',
  styleUrls: ['./practice-room.scss', './practice-place.scss'],
  host: { '(document:keydown)': 'press($event)', '(click)': 'letGo($event)' },
})
export class PracticePlace {
  /** A skill that somebody came for; else the one with most to gain is begun. */
  readonly of = input<string>();
  /** A sheet that is gone through. */
  readonly sheet = input<string>();
  private readonly sheets = inject(SheetList);
  protected readonly log = inject(PracticeLog);
  protected readonly run = inject(PracticeRun);

  protected readonly skill = computed(() => this.run.now()?.skill ?? null);
  protected readonly facts = computed(() => {
    const now = this.run.now();
    return now === null ? null : { name: SKILL_WORDS[now.skill].name, good: sayGood(now.skill), level: now.level + 1, seed: now.seed };
  });
  protected readonly caution = computed(() => {
    const skill = this.skill();
    return skill === null ? '' : CAUTIONS[skill];
  });
  protected readonly next = computed(() => ({ skill: this.run.next(), ...SKILL_WORDS[this.run.next()] }));
  /** The main button: what it does now, and what it says; null while an answer is to be picked. */
  protected readonly main = computed(() => {
    if (this.run.judged() !== null) return { says: `Next: ${this.next().name}`, does: () => this.begin(this.next().skill) };
    return this.run.canTake() ? { says: 'That is it', does: () => this.run.take() } : null;
  });

  constructor() {
    effect(() => {
      const wished = SKILLS.find((skill) => skill === this.of());
      const asked = this.sheetAsked();
      if (asked === undefined) return; // it is still looked for
      untracked(() => this.run.sheet.set(asked));
      if (this.log.opened() && this.skill() === null) untracked(() => this.begin(wished ?? this.run.next()));
    });
  }

  /** The sheet to go through; null where none is, undefined while it is looked for. */
  private readonly sheetAsked = computed(() => {
    const id = this.sheet();
    if (id === undefined) return null;
    const known = this.sheets.sheets();
    return known === null ? undefined : (known.find((sheet) => sheet.id === id) ?? null);
  });

  protected begin(skill: Skill): void {
    this.run.begin(skill);
  }

  protected again(): void {
    const skill = this.skill();
    if (skill !== null) this.begin(skill);
  }

  /** A button that was clicked keeps no key: Space and digits are those of the place again. */
  protected letGo(event: MouseEvent): void {
    if (event.detail > 0) (event.target as Element | null)?.closest<HTMLElement>('button')?.blur();
  }

  protected press(event: KeyboardEvent): void {
    if (event.key !== ' ' || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if ((event.target as Element | null)?.closest('button, a, input:not([type=range]), [role=option], [role=listbox]') != null) return;
    const main = this.main();
    if (main === null) return;
    event.preventDefault();
    main.does();
  }
}
