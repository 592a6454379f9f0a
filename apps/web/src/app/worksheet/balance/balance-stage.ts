import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { onBridge } from '@gold-peg/contract/bench-log';
import { AT_THEIR_NOTES, type FineTuner } from '@gold-peg/craft/balance';
import { hertz, metres, type Metres } from '@gold-peg/craft/units';
import { scaleLinear } from 'd3';
import { turnsBetween } from '@gold-peg/craft/procedure';
import { faultOf } from '../../form';
import { ArmPanel, BridgePicture, clawWithin, plusMinus, sayMark, sayMarkForClaw, sayObstacle, signed, spanFor } from '../../bridge';
import { Measures, say } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { Drag, type Dragged } from '../../ui/drag';
import { LaneBadge } from '../../ui/lane-badge';
import { LaneButton } from '../../ui/lane-button';
import { MeasuredWidth } from '../../ui/measured-width';
import { NumberForm } from '../../ui/number-form';
import { OneOf, type Choice } from '../../ui/one-of';
import { Drafts, WorksheetDesk } from '../desk';
import { HearingPanel, Listening } from '../hearing';
import { stageRows } from '../lanes';
import { sayTurns } from '../bring-up';
import { BalanceNow } from './balance-now';
import { BalancePlan } from './balance-plan';
import { BridgeByEar } from './bridge-by-ear';
import { ripple, type BridgeRow } from './bridge-rows';
import { BridgeDesk, BridgeWork } from '../bridge';
import { ReturnPanel } from './return-panel';
import { SpringsPanel } from './springs-panel';

type About = 'plan' | 'springs' | 'arm';
const ABOUT: readonly Choice<About>[] = [
  { value: 'plan', label: 'plan' },
  { value: 'springs', label: 'what it rests on' },
  { value: 'arm', label: 'arm' },
];
/** Less of a screw than this is no turn. */
const NO_TURN = 2.5 / 360;
const TITLES: Readonly<Record<About, string>> = { plan: 'Plan', springs: 'Rests on', arm: 'The arm' };

/** A bridge that moves: where it stands, to what each string is set in one pass so that all are in tune at its end, and what to do next. */
@Component({
  selector: 'peg-balance-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ArmPanel,
    BalanceNow,
    BalancePlan,
    BridgePicture,
    Caution,
    Drag,
    HearingPanel,
    LaneBadge,
    LaneButton,
    MatButtonModule,
    MeasuredWidth,
    NumberForm,
    OneOf,
    ReturnPanel,
    SpringsPanel,
  ],
  templateUrl: './balance-stage.html',
  styleUrl: './balance-stage.scss',
})
export class BalanceStage {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly bridge = inject(BridgeDesk);
  private readonly work = inject(BridgeWork);
  protected readonly listening = inject(Listening);
  private readonly measures = inject(Measures);
  protected readonly signed = signed;
  protected readonly ABOUT = ABOUT;
  protected readonly TITLES = TITLES;
  protected readonly about = signal<About>('plan');
  protected readonly width = signal(300);
  private readonly span = computed(() => spanFor([...(this.now()?.off ?? []), ...this.marks().map(({ target }) => target)]));
  protected readonly ticks = computed(() => this.span().ticks);
  protected readonly x = computed(() => scaleLinear([-this.span().span, this.span().span], [0, this.width()]).clamp(true));
  protected readonly typed = inject(Drafts).draft<{ cents: number | null; fault: string | null }>(
    () => `on the bridge, ${this.desk.lane()}`,
    () => ({ cents: null, fault: null }),
  );

  protected readonly now = this.bridge.now;
  /** Why nothing can be said of this bridge. */
  protected readonly trouble = computed(() => {
    const at = this.bridge.now();
    if (at === null) return 'Not all strings of this instrument are known: choose a set, and their balance is reckoned.';
    return sayObstacle(at);
  });
  private readonly marks = computed(() => this.bridge.marks()?.steps ?? []);
  protected readonly spread = computed(() => this.bridge.spread()?.spread ?? null);
  private readonly ripples = computed(() => {
    const [now, first] = [this.now(), this.marks()[0]];
    return now === null || first === undefined ? null : ripple(now, first);
  });
  protected readonly rows = computed<BridgeRow[]>(() => {
    const [now, marks, ripples] = [this.now(), this.marks(), this.ripples()];
    const common = stageRows({
      sheet: this.desk.sheet(),
      lanes: this.desk.lanes(),
      stage: 'balance',
      inHand: this.desk.lane(),
      done: 'balanced',
      measures: this.measures,
    });
    const rows = common.map((row): BridgeRow => {
      const { index } = row.lane;
      const turn = marks.findIndex(({ string }) => string === index);
      const mark = marks[turn];
      return {
        ...row,
        apart: false,
        off: now?.off[index] ?? null,
        fresh: now?.fresh[index] ?? false,
        aim: mark?.target ?? null,
        moves: mark === marks[0] && mark !== undefined ? null : (ripples?.[index] ?? null),
        turn: mark === undefined ? (now?.passed.includes(index) === true ? 0 : null) : turn + 1,
        reserve: mark?.reserve == null ? null : 100 * mark.reserve,
      };
    });
    return this.desk.inView(rows);
  });
  /** Lanes from the top, zero-based. */
  protected readonly shown = computed(() => this.rows().map(({ lane }) => lane.index));
  /** Where the string in hand stands: as it sounds, or as it was heard or reckoned last. */
  protected readonly stands = computed(() => this.listening.live() ?? this.now()?.off[this.desk.lane()] ?? null);
  protected readonly says = computed(() => {
    const [marks, lane, step] = [this.marks(), this.desk.lanes()[this.desk.lane()], this.work.step()];
    if (lane === undefined || step === null) return '';
    if (step.kind === 'lower') return `Lower string ${step.string + 1} by about a tone, to −200 ¢: the others say what the springs are.`;
    if (step.kind === 'read')
      return step.strings.includes(lane.index)
        ? `Pluck it as it stands: turn nothing.`
        : `Heard. ${step.strings.length} to be heard before marks can be said.`;
    if (step.kind === 'mid') return 'Fine tuners to the middle first: then they reach both ways.';
    if (step.kind === 'clamp') return 'In tune: the nut is shut now, and all are heard again.';
    if (step.kind === 'unclamp') return `String ${step.string + 1} is out of reach of its fine tuner: the nut has to be opened.`;
    if (step.kind === 'claw') return 'The claw first: marks are said once it is turned.';
    if (step.kind === 'done') return 'In tune where it is.';
    if (step.kind === 'reckon') return 'Heard. Its mark comes when the springs are reckoned.';
    const at = marks.findIndex(({ string }) => string === lane.index);
    const mark = marks[at];
    if (mark === undefined) return 'It was set in this pass: what follows brings it home.';
    if (step.kind === 'block')
      return `String ${step.step.string + 1} would bear more than is safe at its mark: block the bridge level and string it as a fixed one.`;
    const others = marks.slice(at + 1).map(({ string }) => string + 1);
    const { toward, travel } = step.kind === 'set' ? step.leaves : AT_THEIR_NOTES;
    if (travel > 0) return sayMarkForClaw(lane.place.note, mark.target);
    return sayMark(lane.place.note, { target: mark.target, toward }, others);
  });
  protected readonly bands = computed(() => {
    const foreseen = this.bridge.foreseen()?.foreseen;
    return foreseen === undefined ? null : { now: foreseen.tiltNow, inTune: foreseen.tilt };
  });
  /** Where the mark of the string in hand may truly lie; nothing where that is a cent or less, or was reckoned before it moved. */
  protected readonly markBand = computed(() => {
    const mark = this.marks().find(({ string }) => string === this.desk.lane());
    const band = this.bridge.foreseen()?.foreseen.marks[this.desk.lane()] ?? null;
    if (mark === undefined || band === null || band.high - band.low < 1) return '';
    const holds = mark.target >= band.low - 1 && mark.target <= band.high + 1;
    return holds ? `${signed(band.low, 0)} to ${signed(band.high, 0)} ¢ as springs may be` : '';
  });
  /** Turns of the button to the mark of the string in hand. */
  protected readonly turns = computed(() => {
    const tuner = this.bridge.fineTuners()[this.desk.lane()] ?? null;
    if (tuner !== null) return this.ofFineTuner(tuner);
    const mark = this.marks().find(({ string }) => string === this.desk.lane());
    const [plan, instrument, cents] = [this.desk.planInHand(), this.desk.instrument(), this.stands()];
    const { string, place } = this.desk.lanes()[this.desk.lane()] ?? { string: null };
    const note = this.now()?.bridge.strings[this.desk.lane()]?.pitch;
    if (mark === undefined || plan === null || cents === null || string === null || instrument === null) return '';
    if (place === undefined || note === undefined || cents >= mark.target) return '';
    const from = hertz(note * 2 ** (cents / 1200));
    const turns = turnsBetween({ plan, string, scale: place.scaleLength, gearRatio: instrument.gearRatio }, from, mark.frequency);
    return turns > 0 ? `about ${sayTurns(turns)} of the button, from below` : '';
  });

  protected readonly keepTyped = async (): Promise<boolean> => {
    const { cents } = this.typed.value();
    const refuse = (fault: string) => {
      this.typed.type({ cents, fault });
      return false;
    };
    if (cents === null) return refuse('Type how many cents from its note your tuner reads it, below zero under it.');
    const read = onBridge.safeParse({ cents, sure: null, by: 'typed' });
    if (!read.success) return refuse(`Cents, ${cents} ¢, ${faultOf(read.error)}.`);
    const forget = this.typed.forgetter();
    await this.work.hear(this.desk.lane(), cents, { sure: null, by: 'typed' });
    forget();
    return true;
  };

  /** What the screw tuner of a headless string has left at its note, as it was wound. */
  protected readonly spare = computed(() => {
    const plan = this.desk.planInHand();
    return plan?.kind === 'clamp' ? `${say(this.measures.length(plan.screw.left, 1))} of its screw left at its note` : '';
  });

  /** What the screw of the string in hand has to do, and what it still can. */
  private ofFineTuner({ centsPerTurn, left }: FineTuner): string {
    const mark = this.marks().find(({ string }) => string === this.desk.lane());
    const cents = this.stands();
    const does = mark === undefined || cents === null ? null : (mark.target - cents) / centsPerTurn;
    const much = Math.abs(does ?? 0);
    const by = much < NO_TURN ? null : much < 0.25 ? `${5 * Math.round((360 * much) / 5)}°` : `${much.toFixed(1)} turns`;
    const turn = does === null || by === null ? '' : `about ${by} of its fine tuner ${does < 0 ? 'out' : 'in'} · `;
    const band = plusMinus(this.spread()?.perTurn[this.desk.lane()], centsPerTurn);
    const a = [centsPerTurn.toFixed(0), band].filter((part) => part !== '').join(' ');
    return `${turn}${a} ¢ a turn, ${left.up.toFixed(1)} left in, ${left.down.toFixed(1)} out`;
  }

  constructor() {
    inject(BridgeByEar); // takes down what is heard
  }

  protected tryClaw(claw: Metres): void {
    const stands = this.bridge.asTaken()?.claw;
    if (stands !== undefined) this.bridge.tried.set([{ kind: 'claw', travel: metres(claw - stands) }]);
  }

  /** From where it is at this moment: keys come faster than the picture. */
  protected nudgeClaw(by: Metres): void {
    const now = this.now();
    if (now !== null) this.tryClaw(clawWithin(now.bridge, metres(now.claw + by)));
  }

  /** As many springs as are tried. */
  protected readonly springsTried = computed(() => {
    const [tried] = this.bridge.tried();
    return tried?.kind === 'springs' ? tried.count : null;
  });

  protected async hook(count: number): Promise<void> {
    this.bridge.tried.set([]);
    await this.work.hook(count);
  }

  protected trySprings(count: number): void {
    this.bridge.tried.set([{ kind: 'springs', count }]);
  }

  /** Drags where one string stands: the others follow. */
  protected tryPitch(string: number, { x }: Dragged): void {
    const pitch = this.bridge.asTaken()?.bridge.strings[string]?.pitch;
    if (pitch === undefined || this.desk.closed()) return;
    this.desk.lane.set(string);
    this.bridge.tried.set([{ kind: 'set', string, sounds: hertz(pitch * 2 ** (this.x().invert(x) / 1200)), pass: null }]);
  }
}
