import { computed, inject, Injectable } from '@angular/core';
import {
  allComeUpTogether,
  CAUTIONS,
  isDone,
  latestStep,
  nextStep,
  planRun,
  stageReached,
  stepAt,
  stringRun,
  together,
  type BenchRun,
  type RunStep,
  type StringStep,
} from '@gold-peg/craft/bench-run';
import { holdUp } from '@gold-peg/craft/worksheet';
import { isStringStage, type Stage } from '@gold-peg/craft/stages';
import { Session } from '../../session/session';
import { InHand } from './in-hand';
import { JobLog } from './job-log';
import { LaidOut } from './laid-out';
import { WindPlans } from './wind-plans';
import { WorksheetFiles } from './worksheet-files';

/** The order of the work in the ways in force, how far it has come, and the step of the string in hand. */
@Injectable()
export class RunInHand {
  private readonly files = inject(WorksheetFiles);
  private readonly session = inject(Session);
  private readonly job = inject(JobLog);
  private readonly inHand = inject(InHand);
  private readonly laidOut = inject(LaidOut);
  private readonly winding = inject(WindPlans);

  /** All there is to do, in the order of the ways in force. */
  readonly run = computed<BenchRun | null>(() => {
    const instrument = this.laidOut.instrument();
    if (instrument === null) return null;
    const learned = { times: this.files.file()?.times ?? [], personId: this.session.person()?.id ?? '' };
    const only = this.laidOut.only();
    const facts = {
      instrument,
      strings: this.laidOut.strings(),
      choices: this.winding.choices(),
      blocked: this.job.sheet().blocked,
      learned,
    };
    const run = planRun(only === null ? facts : { ...facts, only });
    return run.ok ? run.value : null;
  });
  /** The same, each string's own steps in a row. */
  readonly steps = computed(() => stringRun(this.run() ?? { steps: [], groups: [] }));
  /** Null at stages of the whole instrument, and for strings that are no part of the job. */
  readonly atHand = computed<StringStep | null>(() => {
    const stage = this.inHand.stage();
    return isStringStage(stage) ? stepAt(this.steps(), this.job.sheet(), stage, this.inHand.lane()) : null;
  });
  /** The step of the string in hand at the stage that is open; null at stages of the whole instrument, and for strings that are no part of the job. */
  readonly stepInHand = computed<RunStep | null>(() => {
    const step = this.atHand();
    const is = ({ stage, string, firstPass }: RunStep) => stage === step?.stage && string === step.string && firstPass === step.firstPass;
    return step === null ? null : (this.run()?.steps.find(is) ?? null);
  });
  /** Whether all strings of the job come up together: a tone under first, and to their notes when all bear pull. */
  readonly comesUpTogether = computed(() => {
    const run = this.run();
    return run !== null && allComeUpTogether(run);
  });
  /** What can hurt or scrap at the step in hand, in one line; empty where there is none. */
  readonly cautions = computed(() => (this.stepInHand()?.cautions ?? []).map((kind) => CAUTIONS[kind]).join(' '));
  readonly inHandIsDone = computed(() => {
    const step = this.atHand();
    return step === null || isDone(this.job.sheet(), step);
  });
  /** How many steps like the one in hand are still open: at its stage, and in the same pass where strings come up twice. */
  readonly toGo = computed(() => {
    const step = this.atHand();
    if (step === null) return 0;
    const like = this.steps().steps.filter(({ stage, firstPass }) => stage === step.stage && firstPass === step.firstPass);
    return like.filter((each) => !isDone(this.job.sheet(), each)).length;
  });
  /** Why the step in hand cannot be ticked; null where it can. */
  readonly heldUp = computed(() => {
    const stage = this.inHand.stage();
    return isStringStage(stage) ? holdUp(this.job.sheet(), stage, this.inHand.lane()) : null;
  });
  /** A string that is open at this stage, zero-based, in the order of the work: the one that is next where it is here. */
  readonly nextOpen = computed<number | null>(() => {
    const next = nextStep(this.steps(), this.job.sheet(), latestStep(this.job.sheet()));
    if (next?.stage === this.inHand.stage()) return next.string;
    return this.steps().steps.find((each) => each.stage === this.inHand.stage() && !isDone(this.job.sheet(), each))?.string ?? null;
  });
  /** The stage the work has come to. */
  readonly reached = computed<Stage>(() => stageReached(this.steps(), this.job.sheet()));

  /** At Balance the first step that is open: a bridge is balanced under all its strings, whichever is in hand. */
  private openAtBridge(): StringStep | null {
    if (this.inHand.stage() !== 'balance') return null;
    return this.steps().steps.find((step) => step.stage === 'balance' && !isDone(this.job.sheet(), step)) ?? null;
  }

  /** Strings whose step the school in force puts together with that of the lane in hand, and that are still open. */
  readonly inOneGo = computed<readonly StringStep[]>(() => {
    // a bridge is balanced under all its strings, whichever is in hand
    const step = this.openAtBridge() ?? this.atHand();
    if (step === null || this.job.closed()) return [];
    return together(this.steps(), this.job.sheet(), step).filter(({ stage, string }) => holdUp(this.job.sheet(), stage, string) === null);
  });
}
