import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { printGauge } from '@gold-peg/craft/strings';
import { stagesOf } from '@gold-peg/craft/worksheet';
import { isStringStage, type ScrapReason, type Stage } from '@gold-peg/craft/stages';
import { Measures } from '../../preferences/measures';
import { Session } from '../../session/session';
import { Shelf } from '../../shelf/shelf';
import { Speech } from '../../ui/speech';
import { bigNumbers, spokenPrompt } from './prompt';
import { WayBack } from '../../ui/way-back';
import { chooseReasons, longIn, measureReason, type WhyData, WhyDialog, windReasons } from '../why';
import { sayHeldUp } from './held-words';
import { ScrapDialog, type ScrapData } from './scrap-dialog';
import { BridgeWork } from '../bridge';
import { WorksheetDesk } from '../desk';

/** What can be done at a worksheet by key, button or touch: the log of the desk, and going where the work goes. */
@Injectable()
export class BenchActions {
  private readonly desk = inject(WorksheetDesk);
  private readonly bridge = inject(BridgeWork);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly shelf = inject(Shelf);
  private readonly measures = inject(Measures);
  private readonly speech = inject(Speech);

  private readonly session = inject(Session);
  private readonly wayBack = inject(WayBack);

  readonly mayWork = this.session.mayWork;
  /** The step in hand fills the screen. */
  readonly large = signal(false);
  readonly isStep = computed(() => isStringStage(this.desk.stage()));
  /** Spoken to screen readers when a step is done, not at every change. */
  readonly said = signal('');

  private turn: Promise<unknown> = Promise.resolve();

  constructor() {
    // who leaves the worksheet leaves the way back with it
    inject(DestroyRef).onDestroy(() => this.wayBack.forget());
  }

  /** What is asked for while a step is being taken down waits for its turn, so that it meets the next step and not the same once more. */
  private inTurn(work: () => Promise<void>): Promise<void> {
    const done = this.turn.then(work);
    this.turn = done.catch(() => undefined);
    return done;
  }

  /** At once, so that the next key acts on the stage that this one led to; the address follows. */
  async go(stage: Stage, replaceUrl = false): Promise<void> {
    const jobId = this.desk.file()?.job.id;
    if (jobId === undefined) return;
    this.desk.stage.set(stage);
    await this.router.navigate(['/worksheet', jobId, stage], { replaceUrl });
  }

  /** Along the rule. */
  async step(by: 1 | -1): Promise<void> {
    const stages = stagesOf(this.desk.sheet());
    const stage = stages[stages.indexOf(this.desk.stage()) + by];
    if (stage !== undefined) await this.go(stage);
  }

  /** What the large button of the stage does, and Space with it. */
  markDone(): Promise<void> {
    return this.inTurn(() => this.markInHand());
  }

  private async markInHand(): Promise<void> {
    if (this.desk.stage() === 'choose') return this.take();
    if (this.desk.stage() === 'balance') return this.balance();
    const number = this.desk.lane() + 1;
    const held = this.desk.heldUp();
    if (held !== null) return this.seeTo(sayHeldUp(held, number));
    if (!this.desk.inHandIsDone()) return this.wentOn(await this.desk.markDone(), `String ${number} done`);
    const next = this.desk.nextOpen();
    if (next !== null) return this.desk.lane.set(next);
    if (this.isStep()) await this.step(1);
  }

  /** At a bridge that moves Space does what is next there; once all are in tune all are balanced, in one go. */
  private async balance(): Promise<void> {
    const step = this.bridge.step();
    if (step !== null && step.kind !== 'done') return void this.said.set((await this.bridge.act()) ?? '');
    const count = this.desk.inOneGo().length;
    if (count === 0) return this.step(1);
    const said = `${count} ${count === 1 ? 'string' : 'strings'} balanced`;
    await this.withWayBack(said, async () => this.wentOn(await this.desk.markInOneGo(), said));
  }

  private async take(): Promise<void> {
    if (!this.desk.laidOut.isTaken()) {
      if (!(await this.desk.choose())) return;
      this.said.set(`${this.desk.sheet().chosen?.payload.name ?? ''} taken`);
    }
    await this.step(1);
  }

  /** Goes where what is missing can be done. */
  private async seeTo({ says, leadsTo }: ReturnType<typeof sayHeldUp>): Promise<void> {
    this.said.set(says);
    if (leadsTo !== null) return this.go(leadsTo);
    const next = this.desk.nextOpen();
    if (next !== null) this.desk.lane.set(next);
  }

  /** At Choose, takes the string in hand into the job or out of it. */
  pick(): void {
    if (this.desk.stage() !== 'choose') return;
    this.desk.laidOut.togglePick(this.desk.lane());
    const only = this.desk.laidOut.only();
    this.said.set(only === null ? 'All strings are replaced' : `Only string ${only.map((lane) => lane + 1).join(', ')}`);
  }

  /** The step of all strings that are worked together. */
  markInOneGo(): Promise<void> {
    return this.inTurn(async () => {
      const count = this.desk.inOneGo().length;
      const said = `${count} ${count === 1 ? 'string' : 'strings'} ${this.desk.stepInHand()?.done ?? 'done'}`;
      await this.withWayBack(said, async () => this.wentOn(await this.desk.markInOneGo(), said));
    });
  }

  takeBack(): Promise<void> {
    return this.inTurn(async () => {
      if (this.mayWork()) await this.wentOn(await this.desk.takeBack(), 'Taken back');
    });
  }

  /** Once, however often it is asked for. */
  handOver(remark: string): Promise<void> {
    return this.inTurn(async () => {
      if (!this.desk.closed()) await this.withWayBack('Handed over', () => this.desk.handOver(remark));
    });
  }

  /**
   * Tells what was done, and undoes it again where that is asked for: all that `work` took down, the last first. At another worksheet, or once something else was
   * done, it is too late for that: steps are taken back in their order.
   */
  private async withWayBack(said: string, work: () => Promise<unknown>): Promise<void> {
    const [stage, lane] = [this.desk.stage(), this.desk.lane()];
    const before = new Set(this.desk.sheet().standing.map(({ id }) => id));
    await work();
    const me = this.session.person()?.id;
    const done = this.desk.sheet().standing.filter(({ id, personId }) => personId === me && !before.has(id));
    const [jobId, last] = [this.desk.file()?.job.id, done.at(-1)?.id];
    if (last === undefined) return;
    this.wayBack.tell(said, () =>
      this.inTurn(async () => {
        if (this.desk.file()?.job.id !== jobId || this.desk.sheet().standing.at(-1)?.id !== last)
          return this.wayBack.tell('Something else was done since: take that back first');
        for (const { id } of done.reverse()) await this.desk.happens({ kind: 'undone', payload: { eventId: id } });
        await this.go(stage);
        this.desk.lane.set(lane);
        this.said.set('Taken back');
      }),
    );
  }

  /** `stage`: where the work is now; null where nothing was done. */
  private async wentOn(stage: Stage | null, said: string): Promise<void> {
    if (stage === null) return;
    this.said.set(said);
    if (stage !== this.desk.stage()) await this.go(stage);
  }

  /** Asks why the string in hand was lost, where there is one that can be: chosen, and not handed over. */
  scrap(): void {
    const lane = this.desk.lanes()[this.desk.lane()];
    const chosen = this.desk.sheet().chosen?.payload.strings[this.desk.lane()];
    if (lane === undefined || chosen === undefined || this.desk.closed()) return;
    void this.shelf.load();
    const data: ScrapData = { number: lane.number, gauge: printGauge(lane.gauge), stringId: chosen.stringId ?? null };
    this.dialog
      .open<ScrapDialog, ScrapData, ScrapReason>(ScrapDialog, { data, width: '560px' })
      .afterClosed()
      .subscribe((why) => {
        if (why === undefined) return;
        this.said.set(`String ${lane.number} lost; take another`);
        void this.withWayBack(`String ${lane.number} lost`, async () => this.go(await this.desk.scrap(why)));
      });
  }

  /** The reasons behind the numbers of the lane in hand, where a stage has numbers. */
  why(): void {
    const lane = this.desk.lanes()[this.desk.lane()];
    const instrument = this.desk.instrument();
    if (lane === undefined || lane.string === null || instrument === null) return;
    const plan = this.desk.planInHand();
    const long = longIn(this.measures);
    const lines =
      this.desk.stage() === 'choose'
        ? chooseReasons(lane, lane.string, instrument, { slots: this.desk.laidOut.slots(), long })
        : plan === null
          ? []
          : [
              ...windReasons(plan, {
                lane,
                string: lane.string,
                instrument,
                saddleHeight: this.desk.laidOut.saddles()[lane.index] ?? null,
                long,
              }),
              ...(plan.kind === 'post' ? [measureReason(lane, plan, this.measures, this.desk.leaves().value)] : []),
            ];
    const data: WhyData = { title: `string ${lane.number}, ${lane.place.note}`, lines };
    this.dialog.open(WhyDialog, { data, width: '720px' });
  }

  /** Says the step in hand aloud; where the browser has no voice, screen readers get the words. */
  speak(): void {
    const lane = this.desk.lanes()[this.desk.lane()];
    const plan = this.desk.planInHand();
    if (lane === undefined) return;
    const numbers = this.desk.stage() === 'wind' && plan !== null ? bigNumbers(lane, plan, this.measures, this.desk.leaves().value) : [];
    const prompt = spokenPrompt(lane, this.desk.stepInHand(), numbers);
    if (!this.speech.say(prompt)) this.said.set(prompt);
  }
}
