import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { printGauge } from '@gold-peg/craft/strings';
import { isStringStage, STAGES, type ScrapReason, type Stage } from '@gold-peg/craft/worksheet';
import { Measures } from '../preferences/measures';
import { Shelf } from '../shelf/shelf';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Speech } from '../ui/speech';
import { Trouble } from '../ui/trouble';
import { BenchMode } from './bench-mode/bench-mode';
import { bigNumbers, spokenPrompt } from './bench-mode/prompt';
import { Choose } from './choose/choose';
import { ClockFact } from './clock/clock-fact';
import { LastWorksheet } from './desk/last-worksheet';
import { keyAction } from './desk/keys';
import { ScrapDialog, type ScrapData } from './desk/scrap-dialog';
import { sayClock, StageClock } from './desk/stage-clock';
import { WorksheetDesk } from './desk/worksheet-desk';
import { WorksheetFiles } from './desk/worksheet-files';
import { HandOver } from './hand-over/hand-over';
import { KeyCard } from './desk/key-card';
import { LookOver } from './look-over/look-over';
import { PicturedStage } from './pictured/pictured-stage';
import { PlainStage } from './plain/plain-stage';
import { Ready } from './ready/ready';
import { StageRule } from './stage-rule/stage-rule';
import { chooseReasons } from './why/choose-reasons';
import { measureReason } from './why/measure-reason';
import { WhyDialog, type WhyData } from './why/why-dialog';
import { windReasons } from './why/wind-reasons';
import { Wind } from './wind/wind';

/** A worksheet is the instrument: its strings as lanes, the stages of the work along a steel rule above them. */
@Component({
  selector: 'peg-worksheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BenchMode,
    ClockFact,
    Fact,
    PlaceHeader,
    Trouble,
    StageRule,
    Choose,
    Ready,
    PicturedStage,
    LookOver,
    Wind,
    PlainStage,
    HandOver,
  ],
  providers: [WorksheetFiles, WorksheetDesk, StageClock],
  templateUrl: './worksheet.html',
  styleUrl: './worksheet.scss',
  host: { '(document:keydown)': 'press($event)' },
})
export class WorksheetPlace {
  readonly jobId = input.required<string>();
  readonly stage = input<string>();

  protected readonly desk = inject(WorksheetDesk);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly last = inject(LastWorksheet);
  private readonly shelf = inject(Shelf);
  private readonly measures = inject(Measures);
  private readonly speech = inject(Speech);
  private readonly clock = inject(StageClock);
  /** The step in hand fills the screen. */
  protected readonly large = signal(false);
  protected readonly isStep = computed(() => isStringStage(this.desk.stage()));
  /** Spoken to screen readers when a step is done, not at every change. */
  protected readonly said = signal('');

  protected readonly sub = computed(() => {
    const passport = this.desk.file()?.passport;
    if (passport === undefined) return '';
    return `passport ${String(passport.passport).padStart(4, '0')} · ${passport.facts} · ${passport.scaleMm.toFixed(0)} mm`;
  });
  protected readonly fitting = computed(() => this.desk.sheet().chosen?.payload.name ?? 'choosing');
  protected readonly onBench = computed(() => {
    const started = this.desk.startedAt();
    const ended = this.desk.sheet().handedOver?.at;
    if (started === null) return 'not yet';
    return sayClock((ended === undefined ? this.clock.now() : Date.parse(ended)) - Date.parse(started));
  });
  protected readonly promised = computed(() => {
    const at = this.desk.file()?.job.promisedAt ?? null;
    return at === null
      ? 'no hurry'
      : new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(at)).replace(',', '');
  });

  constructor() {
    effect(() => {
      const jobId = this.jobId();
      untracked(() => void this.open(jobId));
    });
    effect(() => {
      const stage = STAGES.find((known) => known === this.stage());
      if (stage === undefined) return;
      untracked(() => this.desk.stage.set(stage));
    });
  }

  protected async open(jobId: string): Promise<void> {
    this.last.remember(jobId);
    await this.desk.open(jobId);
    if (this.stage() === undefined && this.desk.file() !== null) await this.go(this.desk.reached(), true);
  }

  private go(stage: Stage, replaceUrl = false): Promise<boolean> {
    return this.router.navigate(['/worksheet', this.jobId(), stage], { replaceUrl });
  }

  protected async step(by: 1 | -1): Promise<void> {
    const stage = STAGES[STAGES.indexOf(this.desk.stage()) + by];
    if (stage !== undefined) await this.go(stage);
  }

  /** The reasons behind the numbers of the lane in hand, where a stage has numbers. */
  protected why(): void {
    const lane = this.desk.lanes()[this.desk.lane()];
    const instrument = this.desk.instrument();
    if (lane === undefined || lane.string === null || instrument === null) return;
    const plan = this.desk.planInHand();
    const lines =
      this.desk.stage() === 'choose'
        ? chooseReasons(lane, lane.string, instrument)
        : plan === null
          ? []
          : [
              ...windReasons(plan, lane, lane.string, instrument),
              ...(plan.kind === 'post' ? [measureReason(lane, plan, this.measures, this.desk.leaves().value)] : []),
            ];
    const data: WhyData = { title: `string ${lane.number}, ${lane.place.note}`, lines };
    this.dialog.open(WhyDialog, { data, width: '720px' });
  }

  protected async press(event: KeyboardEvent): Promise<void> {
    if (this.dialog.openDialogs.length > 0) return;
    const action = keyAction(event, this.desk.lanes().length);
    if (action === null) return;
    event.preventDefault();
    switch (action.kind) {
      case 'lane':
        return this.desk.lane.set(action.index);
      case 'done':
        return this.markDone();
      case 'done-together':
        return this.markInOneGo();
      case 'pause':
        return this.clock.toggle();
      case 'take-back':
        return this.takeBack();
      case 'stage':
        return this.step(action.by);
      case 'why':
        return this.why();
      case 'scrap':
        return this.scrap();
      case 'bench-mode':
        return this.large.update((large) => !large && this.isStep());
      case 'say':
        return this.speak();
      case 'keys':
        return void this.dialog.open(KeyCard, { width: '520px' });
      case 'leave':
        return (event.target as HTMLElement).blur();
      case 'edit':
        return document.querySelector<HTMLElement>('[data-edit]')?.focus();
    }
  }

  /** Says the step in hand aloud; where the browser has no voice, screen readers get the words. */
  protected speak(): void {
    const lane = this.desk.lanes()[this.desk.lane()];
    const plan = this.desk.planInHand();
    if (lane === undefined) return;
    const numbers = this.desk.stage() === 'wind' && plan !== null ? bigNumbers(lane, plan, this.measures, this.desk.leaves().value) : [];
    const prompt = spokenPrompt(lane, this.desk.stepInHand(), numbers);
    if (!this.speech.say(prompt)) this.said.set(prompt);
  }

  protected async markDone(): Promise<void> {
    if (this.desk.stage() === 'choose') {
      if (!(await this.desk.choose())) return;
      this.said.set(`${this.fitting()} taken`);
      return void (await this.step(1));
    }
    const number = this.desk.lane() + 1;
    const stage = await this.desk.markDone();
    if (stage === null) return;
    this.said.set(`String ${number} done`);
    if (stage !== this.desk.stage()) await this.go(stage);
  }

  /** The step of all strings that are worked together. */
  protected async markInOneGo(): Promise<void> {
    const count = this.desk.inOneGo().length;
    const stage = await this.desk.markInOneGo();
    if (stage === null) return;
    this.said.set(`${count} ${count === 1 ? 'string' : 'strings'} done`);
    if (stage !== this.desk.stage()) await this.go(stage);
  }

  /** Asks why the string in hand was lost, where there is one that can be: chosen, and not handed over. */
  protected scrap(): void {
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
        void this.desk.scrap(why);
      });
  }

  protected async takeBack(): Promise<void> {
    const stage = await this.desk.takeBack();
    if (stage === null) return;
    this.said.set('Taken back');
    if (stage !== this.desk.stage()) await this.go(stage);
  }
}
