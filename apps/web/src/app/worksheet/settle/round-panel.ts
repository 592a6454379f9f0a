import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatSelectModule } from '@angular/material/select';
import { MatInputModule } from '@angular/material/input';
import { pitchRead } from '@gold-peg/contract/bench-log';
import type { PitchRead } from '@gold-peg/craft/worksheet';
import { faultOf } from '../../form';
import { Drafts, StageClock, WorksheetDesk } from '../desk';
import { HearingPanel, Listening } from '../hearing';
import { CHART, roundsChart } from './rounds-chart';
import { sayRound } from './by-ear-words';
import { RoundsByEar } from './rounds-by-ear';
import { sayCents, sayDrift } from './settle-words';
import { Settling } from './settling';
import { NumberForm } from '../../ui/number-form';

interface RoundTyped extends Pick<PitchRead, 'after' | 'retuned'> {
  lost: number | null;
  fault: string | null;
}

/** One round of the string in hand: what it cost goes in, whether it settles or slips and how long it will take comes out. */
@Component({
  selector: 'peg-round-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HearingPanel, MatButtonModule, MatCheckboxModule, MatInputModule, MatSelectModule, NumberForm],
  templateUrl: './round-panel.html',
  styleUrl: './round-panel.scss',
})
export class RoundPanel {
  protected readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);
  private readonly clock = inject(StageClock);

  protected readonly size = CHART;
  private readonly tolerance = computed(() => this.settling.ways().tolerance);
  protected readonly limit = computed(() => `${this.tolerance()} ¢`);
  protected readonly rounds = inject(RoundsByEar);
  protected readonly draft = inject(Drafts).draft<RoundTyped>(
    () => `round, ${this.desk.lane()}`,
    () => ({ lost: null, after: 'stretch', retuned: true, fault: null }),
  );

  protected readonly listening = inject(Listening);
  /** What the ear read of the string in hand since the last round, cents lost; null where it read nothing. */
  protected readonly heard = computed(() => {
    const reading = this.listening.reading();
    return reading?.lane === this.desk.lane() ? -reading.cents : null;
  });
  protected readonly canHear = computed(() => ['simulated', 'microphone'].includes(this.listening.source()));
  /** Whether rounds are heard and noted without a hand. */
  protected readonly byEar = computed(() => this.canHear() && this.rounds.notes());
  /** What was typed wins over what was heard; where rounds are noted without a hand nothing waits to be noted. */
  protected readonly lost = computed(() => this.draft.value().lost ?? (this.byEar() ? null : this.heard()));

  protected readonly string = computed(() => this.settling.strings()[this.desk.lane()] ?? null);
  /** What rounds cost this string with earlier sets, the latest first. */
  private readonly earlier = computed(() => {
    const { passport, job } = this.desk.file() ?? {};
    const before = (passport?.setups ?? []).filter(({ jobId }) => jobId !== job?.id);
    return before.flatMap(({ strings }) => {
      const drops = strings.find(({ string, fittedAt }) => string === this.desk.lane() + 1 && fittedAt === undefined)?.dropsCents;
      return drops === undefined ? [] : [drops];
    });
  });
  protected readonly chart = computed(() => {
    const { drops = [], judged = null } = this.string() ?? {};
    const next = judged?.verdict === 'slipping' ? null : (judged?.nextDrop ?? null);
    return roundsChart(drops, { next, tolerance: this.tolerance(), earlier: this.earlier() });
  });
  protected readonly before = computed(() => {
    const [last] = this.earlier();
    return last === undefined ? '' : `Last set: ${last.map((drop) => drop.toFixed(0).replace('-', '−')).join(', ')} ¢.`;
  });
  /** Where the string in hand sounds, or was heard last. */
  protected readonly off = computed(() => this.listening.live() ?? (this.heard() === null ? null : -(this.heard() ?? 0)));
  protected readonly sayOff = computed(() => {
    const off = this.off();
    return off === null ? '–' : `${off > 0 ? '+' : ''}${sayCents(off)}`;
  });
  protected readonly prompt = computed(() => {
    const lane = this.desk.lane();
    return sayRound(this.rounds.phaseOf(lane), { number: lane + 1, off: this.off(), tolerance: this.tolerance() });
  });
  protected readonly says = computed(() => this.string()?.says ?? null);
  protected readonly driftSays = computed(() => {
    const string = this.string();
    if (string === null || !string.soft) return null;
    if (string.since === null) return 'Tick it at Bring up first: from then on its clock runs.';
    if (string.expected === null) return null;
    const says = sayDrift(string.expected, string.since, this.clock.now(), this.settling.ways().hold);
    return string.drift === null ? `${says} So far by its kind: read it after a rest.` : says;
  });

  /** It slipped, and was seen to where it is held: what it lost before says nothing of it now. */
  protected async seatAgain(): Promise<void> {
    this.rounds.beginAnew(this.desk.lane());
    if (!this.desk.closed()) await this.desk.happens({ kind: 'seated-again', string: this.desk.lane() + 1, payload: {} });
  }

  protected type(change: Partial<RoundTyped>): void {
    this.draft.type({ ...this.draft.value(), fault: null, ...change });
  }

  protected readonly note = async (): Promise<boolean> => {
    const [lost, { lost: typed, after, retuned }] = [this.lost(), this.draft.value()];
    if (this.desk.closed()) return false;
    const refuse = (fault: string) => {
      this.type({ fault });
      return false;
    };
    if (lost === null) return refuse('Type how many cents it lost, 0 if it stayed.');
    const read = pitchRead.safeParse({ cents: lost === 0 ? 0 : -lost, after, retuned, by: typed === null ? 'heard' : 'typed' });
    if (!read.success) return refuse(`Cents lost, ${lost} ¢, ${faultOf(read.error)}.`);
    this.rounds.beginAnew(this.desk.lane());
    const forget = this.draft.forgetter();
    await this.desk.happens({ kind: 'pitch-read', string: this.desk.lane() + 1, payload: read.data });
    forget();
    this.listening.reading.set(null);
    return true;
  };
}
