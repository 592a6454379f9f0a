import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { aimFor, rightSlack, slackLeft, standingOf, turnsOf, type SlackAnswer } from '@gold-peg/craft/exercises';
import { liftInTheMiddle } from '@gold-peg/craft/post';
import { windString, type PostPlan } from '@gold-peg/craft/procedure';
import { fromMillimetres, metres, toMillimetres } from '@gold-peg/craft/units';
import { ownHand } from '../../preferences/own-hand';
import { degrees, Measures, say, turnsToQuarter } from '../../preferences/measures';
import { Session } from '../../session/session';
import { OneOf } from '../../ui/one-of';
import { PostPicture } from '../../ui/post-picture';
import { arrowStep } from '../arrow-step';
import { ErrorsChart } from '../errors-chart';
import { ExerciseFrame } from '../exercise-frame';
import { PracticeLog } from '../practice-log';
import { PracticeRun } from '../practice-run';
import { CutPicture } from './cut-picture';
import { LiftPicture } from './lift-picture';
import { inFistAndFingers, sayOff } from './slack-words';

type Way = SlackAnswer['way'];
const WAYS = [
  { value: 'lift', label: 'by hand' },
  { value: 'cut', label: 'at the cut mark' },
  { value: 'say', label: 'say the turns' },
] as const;
/** Where each begins: nothing of the answer is given away. */
const BEGINS: Readonly<Record<Way, number>> = { lift: 30, cut: 20, say: 1 };
const QUARTER = 0.25;
/** What a key does in each way, and how far it goes. */
const KEYS: Readonly<Record<Way, { step: number; most: number }>> = {
  lift: { step: 2, most: 200 },
  cut: { step: 1, most: 150 },
  say: { step: QUARTER, most: 30 },
};

/** How much slack to leave: by the eye, in three ways. */
@Component({
  selector: 'peg-slack-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CutPicture, ErrorsChart, ExerciseFrame, LiftPicture, MatButtonModule, OneOf, PostPicture],
  templateUrl: './slack-exercise.html',
  styleUrl: './exercise.scss',
  host: { '(document:keydown)': 'press($event)' },
})
export class SlackExerciseView {
  private readonly run = inject(PracticeRun);
  private readonly log = inject(PracticeLog);
  private readonly measures = inject(Measures);
  private readonly preferences = inject(Session).preferences;

  protected readonly WAYS = WAYS;
  protected readonly way = signal<Way>('lift');
  protected readonly exercise = computed(() => this.run.exercise('slack'));
  protected readonly judged = this.run.judged;
  private readonly answer = computed(() => this.run.answerOf('slack'));
  /** As it stands now, in the unit of the way: mm lifted, mm cut, turns said. Begins anew with each exercise and way. */
  protected readonly value = linkedSignal<{ from: unknown; way: Way }, number>({
    source: () => ({ from: this.exercise(), way: this.way() }),
    computation: ({ way }) => BEGINS[way],
  });

  protected readonly shown = computed(() => {
    const exercise = this.exercise();
    const place = exercise?.instrument.strings[exercise.index];
    if (exercise === null || place === undefined) return null;
    const { plan, string, index } = exercise;
    const hand = ownHand(this.preferences());
    const wanted = turnsToQuarter(plan.wind.turns);
    return {
      ...{ exercise, hand, scaleLength: place.scaleLength, gaugeMm: toMillimetres(string.gauge), wound: string.construction === 'wound' },
      postMm: toMillimetres(plan.geometry.postDiameter),
      fistMm: toMillimetres(hand.fist),
      asks:
        this.way() === 'lift'
          ? `Lift string ${index + 1} at fret 12 until it leaves ${wanted} turns.`
          : this.way() === 'cut'
            ? `Where is string ${index + 1} cut, so that it makes ${wanted} turns?`
            : `Somebody left so much slack on string ${index + 1}. How many turns will it make?`,
      on: `${exercise.name} · ${this.measures.gauge(toMillimetres(string.gauge))} ${string.construction}, post ${toMillimetres(plan.geometry.postDiameter).toFixed(1)} mm, ${say(this.measures.length(plan.geometry.nutToPost))} from the nut`,
      leftMm: toMillimetres(liftInTheMiddle(exercise.left, place.scaleLength)),
    };
  });

  protected readonly result = computed(() => {
    const [shown, answer, judged] = [this.shown(), this.answer(), this.judged()];
    if (shown === null || answer === null || judged === null) return null;
    const off = sayOff(judged.off, 'too little', 'too much');
    if (answer.way === 'say') {
      const makes = rightSlack(shown.exercise, 'say').toFixed(1);
      return { value: makes, says: `turns it will make; you said ${turnsToQuarter(answer.turns)}, ${off}`, good: judged.good };
    }
    const made = turnsOf(shown.exercise, slackLeft(shown.exercise, answer) ?? metres(0));
    const wanted = turnsToQuarter(shown.exercise.plan.wind.turns);
    return { value: Math.max(0, made).toFixed(1), says: `turns it would have made; wanted ${wanted}, ${off}`, good: judged.good };
  });

  /** After the answer: what was wanted beside what was done. */
  protected readonly after = computed(() => {
    const [shown, answer] = [this.shown(), this.answer()];
    if (shown === null || answer === null) return null;
    const right = rightSlack(shown.exercise, answer.way);
    const yours = answer.way === 'lift' ? answer.liftMm : answer.way === 'cut' ? answer.cutMm : null;
    const says = (mm: number) =>
      answer.way === 'lift'
        ? `${inFistAndFingers(mm, shown.hand)}, ${say(this.measures.length(fromMillimetres(mm)))}`
        : say(this.measures.length(fromMillimetres(mm)));
    return {
      wanted: yours === null ? null : right,
      wantedSays: yours === null ? '' : `wanted: ${says(right)}`,
      yoursSays: yours === null ? '' : `you: ${says(yours)}`,
    };
  });

  /** Yours and what is wanted, as they would lie on the post. */
  protected readonly onThePost = computed(() => {
    const [shown, answer] = [this.shown(), this.answer()];
    if (shown === null || answer === null) return null;
    const { exercise } = shown;
    const makes = answer.way === 'say' ? rightSlack(exercise, 'say') : turnsOf(exercise, slackLeft(exercise, answer) ?? metres(0));
    const turns = Math.max(0, makes);
    const yours = windString({ ...exercise, turns });
    if (yours?.kind !== 'post') return null;
    return { yours, wanted: exercise.plan, turns, ...nutWords(yours, exercise.plan) };
  });

  /** What somebody would have to aim at who is off by as much as they usually are. */
  protected readonly advice = computed(() => {
    const [shown, answer] = [this.shown(), this.answer()];
    const { bias, spread } = standingOf('slack', this.log.tries());
    if (shown === null || answer === null || bias === null || spread === null || answer.way === 'say') return '';
    if (Math.abs(bias) < spread / Math.sqrt(this.run.tries().length)) return 'You are as often over as under: nothing to correct.';
    const aim = aimFor(shown.exercise, answer.way, bias);
    const right = rightSlack(shown.exercise, answer.way);
    const [from, to] = [right, aim].map((mm) =>
      answer.way === 'lift' ? inFistAndFingers(mm, shown.hand) : say(this.measures.length(fromMillimetres(mm))),
    );
    return from === to
      ? `Less than half a finger to correct.`
      : `To come out right on this string your hand would have to aim at ${to ?? ''} instead of ${from ?? ''}.`;
  });

  constructor() {
    effect(() => {
      if (this.exercise() !== null) untracked(() => this.run.hold('slack', () => answerAs(this.way(), this.value())));
    });
  }

  protected step(by: number): void {
    const { step, most } = KEYS[this.way()];
    this.value.update((value) => Math.min(most, Math.max(0, value + by * step)));
  }

  protected press(event: KeyboardEvent): void {
    const step = this.judged() === null ? arrowStep(event, this.way() === 'cut' ? 'left' : 'right') : null;
    if (step !== null) this.step(step);
  }

  protected readonly turnsToQuarter = turnsToQuarter;
}

const answerAs = (way: Way, value: number): SlackAnswer =>
  way === 'lift' ? { way, liftMm: value } : way === 'cut' ? { way, cutMm: value } : { way, turns: value };

function nutWords(yours: PostPlan, wanted: PostPlan): { nut: string } {
  if (yours.nut === null || wanted.nut === null) return { nut: '' };
  const [is, should] = [degrees(yours.nut.vertical), degrees(wanted.nut.vertical)];
  return { nut: is === should ? `It breaks over the nut by ${is} either way.` : `Over the nut ${is} instead of ${should}.` };
}
