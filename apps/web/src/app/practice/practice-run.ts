import { computed, inject, Injectable, signal } from '@angular/core';
import type { ExerciseSheet, TryDraft } from '@gold-peg/contract/practice';
import {
  exerciseOf,
  judge,
  levelOf,
  nextOfSheet,
  nextSkill,
  standingOf,
  type AnswerOf,
  type ExerciseOf,
  type Judged,
} from '@gold-peg/craft/exercises';
import { SKILLS, type Skill } from '@gold-peg/craft/skills';
import { v7 as uuidV7 } from 'uuid';
import { HouseClock } from '../server/house-clock';
import { PracticeLog } from './practice-log';

const LARGEST_SEED = 2 ** 31 - 1;
const A_MONTH_MS = 30 * 86_400_000;

/** What is asked now, with its answer once there is one. */
type Asked = {
  [S in Skill]: {
    skill: S;
    seed: number;
    level: number;
    sheetId: string | null;
    exercise: ExerciseOf<S>;
    answer: AnswerOf<S> | null;
    judged: Judged | null;
  };
}[Skill];

/** One exercise after the other: made new from a seed, answered, judged, kept. */
@Injectable()
export class PracticeRun {
  private readonly log = inject(PracticeLog);
  private readonly clock = inject(HouseClock);
  private readonly asked = signal<Asked | null>(null);

  readonly now = this.asked.asReadonly();
  readonly judged = computed(() => this.asked()?.judged ?? null);
  readonly standings = computed(() => {
    const tries = this.log.tries();
    const until = this.clock.now() - A_MONTH_MS;
    const before = tries.filter(({ at }) => at < until);
    return SKILLS.map((skill) => ({
      ...standingOf(skill, tries),
      monthAgo: before.some((each) => each.skill === skill) ? standingOf(skill, before).worth : null,
    }));
  });
  /** The sheet that is gone through; null while somebody practises by themselves. */
  readonly sheet = signal<ExerciseSheet | null>(null);
  private readonly triedOfSheet = computed(() => this.log.tries().filter(({ sheetId }) => sheetId != null && sheetId === this.sheet()?.id));
  /** How far the sheet is, in tries that were asked for. */
  readonly ofSheet = computed(() => {
    const sheet = this.sheet();
    if (sheet === null) return null;
    const made = (skill: Skill) => this.triedOfSheet().filter((each) => each.skill === skill).length;
    const done = sheet.skills.reduce((sum, skill) => sum + Math.min(sheet.each, made(skill)), 0);
    return { title: sheet.title, done, all: sheet.each * sheet.skills.length };
  });
  /** What the sheet asks for, as long as it asks; what has most to gain else. */
  readonly next = computed(() => this.nextOfSheet() ?? nextSkill(this.log.tries(), this.clock.now()));
  readonly sheetAsks = computed(() => this.nextOfSheet() !== null);
  private readonly nextOfSheet = computed(() => {
    const sheet = this.sheet();
    return sheet === null ? null : nextOfSheet(sheet, this.triedOfSheet());
  });
  /** Tries of the skill in hand, the latest last. */
  readonly tries = computed(() => {
    const skill = this.asked()?.skill;
    return this.log.tries().filter((each) => each.skill === skill);
  });

  /** What would be answered as it stands now, where that is a size; null of a choice. */
  private readonly held = signal<{ skill: Skill; answer: () => unknown } | null>(null);
  readonly canTake = computed(() => this.held()?.skill === this.asked()?.skill && this.judged() === null);

  /** At the level of the sheet and on its kinds where that asks for it still; else where somebody stands, unless a level is named. */
  begin(skill: Skill, seed = Math.floor(Math.random() * LARGEST_SEED), named?: number): void {
    this.held.set(null);
    const sheet = named === undefined ? this.asking(skill) : null;
    const level = named ?? sheet?.level ?? levelOf(skill, this.log.tries());
    const exercise = exerciseOf(skill, seed, level, sheet?.kinds ?? []);
    this.asked.set({ skill, seed, level, sheetId: sheet?.id ?? null, exercise, answer: null, judged: null } as Asked);
  }

  private asking(skill: Skill): ExerciseSheet | null {
    const sheet = this.sheet();
    return sheet !== null && nextOfSheet({ ...sheet, skills: sheet.skills.filter((each) => each === skill) }, this.triedOfSheet()) === skill
      ? sheet
      : null;
  }

  /** The exercise in hand, where it is one of that skill. */
  exercise<S extends Skill>(skill: S): ExerciseOf<S> | null {
    const asked = this.asked();
    return asked?.skill === skill ? (asked.exercise as ExerciseOf<S>) : null;
  }

  answerOf<S extends Skill>(skill: S): AnswerOf<S> | null {
    const asked = this.asked();
    return asked?.skill === skill ? (asked.answer as AnswerOf<S> | null) : null;
  }

  /** `answer` is asked when it is taken: a key that came just before counts. */
  hold<S extends Skill>(skill: S, answer: () => AnswerOf<S>): void {
    this.held.set({ skill, answer });
  }

  /** What stands now is the answer. */
  take(): void {
    const held = this.held();
    if (held !== null && this.canTake()) this.answer(held.skill, held.answer() as AnswerOf<typeof held.skill>);
  }

  /** Once only: what was said stands. */
  answer<S extends Skill>(skill: S, answer: AnswerOf<S>): void {
    const asked = this.asked();
    if (asked?.skill !== skill || asked.judged !== null) return;
    const judged = judge(skill, asked.exercise as ExerciseOf<S>, answer);
    this.asked.set({ ...asked, answer, judged } as Asked);
    const at = this.clock.next();
    const { seed, level, sheetId } = asked;
    const draft = { id: uuidV7({ msecs: at }), at: new Date(at).toISOString(), skill, seed, level, sheetId, answer } as TryDraft;
    void this.log.add(draft, judged);
  }
}
