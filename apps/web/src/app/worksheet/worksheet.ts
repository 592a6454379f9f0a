import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { BridgeHappening } from '@gold-peg/craft/balance';
import { fromMillimetres } from '@gold-peg/craft/units';
import { stagesOf } from '@gold-peg/craft/worksheet';
import { RetuneFact } from '../retunes';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { BalanceStage } from './balance';
import { BenchMode } from './bench-mode';
import { BridgeDesk } from './bridge';
import { Choose } from './choose';
import { ClockFact } from './clock';
import { keyAction, KeyCard, LastWorksheet, sayClock, StageClock, WorksheetDesk } from './desk';
import { BenchActions } from './actions';
import { DESK } from './providers';
import { HandOver } from './hand-over';
import { LookOver } from './look-over';
import { PicturedStage } from './pictured';
import { BringUp } from './bring-up';
import { PlainStage } from './plain';
import { Ready } from './ready';
import { RetunePlanned, SettleStage } from './settle';
import { StageRule } from './stage-rule';
import { Wind } from './wind';
import { houseTime } from '../server/house-zone';

/** A worksheet is the instrument: its strings as lanes, the stages of the work along a steel rule above them. */
@Component({
  selector: 'peg-worksheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BalanceStage,
    BenchMode,
    Choose,
    ClockFact,
    Fact,
    HandOver,
    LookOver,
    PicturedStage,
    PlaceHeader,
    BringUp,
    PlainStage,
    Ready,
    RetuneFact,
    SettleStage,
    StageRule,
    Trouble,
    UnderWay,
    Wind,
  ],
  providers: DESK,
  templateUrl: './worksheet.html',
  styleUrl: './worksheet.scss',
  host: { '(document:keydown)': 'press($event)', '(click)': 'letGo($event)' },
})
export class WorksheetPlace {
  readonly jobId = input.required<string>();
  readonly stage = input<string>();
  /** What somebody tried at the place Balance, and would take: a set, how many springs, how far the claw in, mm. */
  readonly set = input<string>();
  readonly springs = input<string>();
  readonly claw = input<string>();

  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  private readonly dialog = inject(MatDialog);
  private readonly last = inject(LastWorksheet);
  private readonly clock = inject(StageClock);
  private readonly bridge = inject(BridgeDesk);

  private readonly knownStage = computed(() => stagesOf(this.desk.sheet()).find((known) => known === this.stage()) ?? null);
  private readonly isOpen = computed(() => this.desk.file()?.job.id === this.jobId() && this.desk.tableIsThere());
  /** Strings and stage are known; an address without a stage leads to the one the work has come to. */
  protected readonly isLaidOut = computed(() => this.isOpen() && this.knownStage() !== null);

  protected readonly name = computed(() => this.desk.file()?.passport.name ?? '');
  protected readonly sub = computed(() => {
    const passport = this.desk.file()?.passport;
    if (passport === undefined) return '';
    const [head] = passport.facts.split(', ', 1); // the rest stands in its passport
    return `passport ${String(passport.passport).padStart(4, '0')} · ${head} · ${passport.scaleMm.toFixed(0)} mm`;
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
      : houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(at)).replace(',', '');
  });

  constructor() {
    inject(RetunePlanned); // tells the device, whichever stage is open
    effect(() => {
      const jobId = this.jobId();
      untracked(() => void this.open(jobId));
    });
    effect(() => {
      const stage = this.knownStage();
      if (stage !== null) untracked(() => this.desk.stage.set(stage));
    });
    effect(() => {
      const set = this.set();
      if (set !== undefined && this.isOpen()) untracked(() => this.desk.laidOut.candidateId.set(set));
    });
    effect(() => {
      const [count, travelMm] = [Number(this.springs() ?? Number.NaN), Number(this.claw() ?? Number.NaN)];
      const tried: BridgeHappening[] = [];
      if (Number.isInteger(count) && count > 0) tried.push({ kind: 'springs', count });
      if (Number.isFinite(travelMm) && travelMm !== 0) tried.push({ kind: 'claw', travel: fromMillimetres(travelMm) });
      if (tried.length > 0 && this.isOpen()) untracked(() => this.bridge.tried.set(tried));
    });
    effect(() => {
      if (!this.isOpen() || this.knownStage() !== null) return;
      untracked(() => void this.actions.go(this.desk.reached(), true));
    });
  }

  protected async open(jobId: string): Promise<void> {
    this.last.remember(jobId);
    await this.desk.open(jobId);
  }

  /** A button or stage that was clicked keeps no key: Space, digits and letters are those of the worksheet again. */
  protected letGo(event: MouseEvent): void {
    const clicked = (event.target as Element | null)?.closest<HTMLElement>('button, a');
    if (event.detail > 0 && clicked?.getAttribute('aria-haspopup') == null) clicked?.blur();
  }

  protected async press(event: KeyboardEvent): Promise<void> {
    if (!this.isLaidOut() || this.dialog.openDialogs.length > 0) return;
    const action = keyAction(event, this.desk.lanes().length);
    if (action === null) return;
    event.preventDefault();
    if (event.repeat) return; // a key that is held acts once
    switch (action.kind) {
      case 'lane':
        return this.desk.lane.set(action.index);
      case 'done':
        return this.actions.markDone();
      case 'done-together':
        return this.actions.markInOneGo();
      case 'pause':
        return this.clock.toggle();
      case 'take-back':
        return this.actions.takeBack();
      case 'stage':
        return this.actions.step(action.by);
      case 'why':
        return this.actions.why();
      case 'scrap':
        return this.actions.scrap();
      case 'pick':
        return this.actions.pick();
      case 'bench-mode':
        return this.actions.large.update((large) => !large && this.actions.isStep());
      case 'say':
        return this.actions.speak();
      case 'keys':
        return void this.dialog.open(KeyCard, { width: '520px' });
      case 'leave':
        return (event.target as HTMLElement).blur();
      case 'edit':
        return document.querySelector<HTMLElement>('[data-edit]')?.focus();
    }
  }
}
