import { computed, inject, Injectable, signal } from '@angular/core';
import type { TryDraft } from '@gold-peg/contract/practice';
import { exerciseOf, judge, levelOf, nextSkill, standingOf, type AnswerOf, type ExerciseOf, type Judged } from '@gold-peg/craft/exercises';
import { SKILLS, type Skill } from '@gold-peg/craft/skills';
import { v7 as uuidV7 } from 'uuid';
import { HouseClock } from '../server/house-clock';
import { PracticeLog } from './practice-log';

const LARGEST_SEED = 2 ** 31 - 1;
const A_MONTH_MS = 30 * 86_400_000;

/** What is asked now, with its answer once there is one. */
type Asked = {
  [S in Skill]: { skill: S; seed: number; level: number; exercise: ExerciseOf<S>; answer: AnswerOf<S> | null; judged: Judged | null };
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
  /** What has most to gain. */
  readonly next = computed(() => nextSkill(this.log.tries(), this.clock.now()));
  /** Tries of the skill in hand, the latest last. */
  readonly tries = computed(() => {
    const skill = this.asked()?.skill;
    return this.log.tries().filter((each) => each.skill === skill);
  });

  /** What would be answered as it stands now, where that is a size; null of a choice. */
  private readonly held = signal<{ skill: Skill; answer: () => unknown } | null>(null);
  readonly canTake = computed(() => this.held()?.skill === this.asked()?.skill && this.judged() === null);

  begin(skill: Skill, seed = Math.floor(Math.random() * LARGEST_SEED), level = levelOf(skill, this.log.tries())): void {
    this.held.set(null);
    this.asked.set({ skill, seed, level, exercise: exerciseOf(skill, seed, level), answer: null, judged: null } as Asked);
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
    const { seed, level } = asked;
    const draft = { id: uuidV7({ msecs: at }), at: new Date(at).toISOString(), skill, seed, level, answer } as TryDraft;
    void this.log.add(draft, judged);
  }
}
