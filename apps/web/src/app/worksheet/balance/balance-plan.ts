import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { blockLoad, clawToLevel, forcesAt, screwLead, type LockingNut } from '@gold-peg/craft/balance';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Measures, say } from '../../preferences/measures';
import { WorksheetDesk } from '../desk';
import { BridgeDesk, BridgeWork } from '../bridge';
import { list, sayClaw, signed } from '../../bridge';
import { houseTime } from '../../server/house-zone';

/** Screws are turned by eighths. */
const NEAR = 1 / 8;

interface Line {
  does: string;
  says: string;
  state: 'done' | 'now' | 'later';
}

/** What to do at this bridge, in its order, and what each part is worth. */
@Component({
  selector: 'peg-balance-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <ol>
      @for (line of lines(); track line.does) {
        <li [class]="line.state">
          <span aria-hidden="true">{{ line.state === 'done' ? '✓' : $index + 1 }}</span> <b>{{ line.does }}</b> <i>{{ line.says }}</i>
        </li>
      }
    </ol>
    @if (came(); as says) {
      <p>{{ says }}</p>
    }
    <p class="soft">
      {{ block() }}
      <button matButton type="button" class="quiet" (click)="compare()">compare the ways home …</button>
    </p>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 20px 1fr auto;
      gap: 0 8px;
      padding: 3px 0;
      line-height: 1.25;
    }
    li b {
      font-weight: 400;
    }
    li.now b {
      font-weight: 700;
    }
    li.done span {
      color: var(--felt);
    }
    li.now span {
      color: var(--brass);
      font-weight: 700;
    }
    i {
      color: var(--ink-soft);
      font-style: normal;
      white-space: nowrap;
    }
    p {
      margin: 4px 0 0;
      font-size: 15px;
      line-height: 1.3;
    }
  `,
})
export class BalancePlan {
  private readonly desk = inject(WorksheetDesk);
  private readonly bridge = inject(BridgeDesk);
  private readonly work = inject(BridgeWork);
  private readonly measures = inject(Measures);
  private readonly dialog = inject(MatDialog);

  protected readonly lines = computed<Line[]>(() => {
    const [now, step] = [this.bridge.asTaken(), this.work.step()];
    if (now === null || step === null) return [];
    const steps = step.kind === 'set' ? [step.step, ...step.rest].map(({ string }) => string) : this.bridge.order();
    const order = steps.map((string) => string + 1);
    const count = this.desk.lanes().length;
    const foreseen = this.bridge.foreseen()?.foreseen;
    const turned = this.desk.sheet().onBridge.findLast((event) => event.kind === 'claw-turned');
    const heard = now.fresh.filter(Boolean).length;
    const toGo = clawToLevel(now);
    const turns = Math.round((8 * (toGo ?? 0)) / screwLead) / 8;
    const claw: Line =
      turns === 0
        ? {
            does: turned === undefined ? 'Claw: leave it where it is' : 'Claw turned',
            says: turned === undefined ? '' : `at ${timeOf(turned.at)}`,
            state: 'done',
          }
        : {
            does: `Claw: each screw ${sayPart(partOf(step), turns)}`,
            says: this.clawBand(turns),
            state: step.kind === 'claw' ? 'now' : 'later',
          };
    const read: Line = {
      does: 'Hear all strings as they stand',
      says: step.kind === 'read' ? `${heard} of ${count}` : '',
      state: step.kind === 'read' ? 'now' : step.kind === 'mid' || (step.kind === 'claw' && turns < 0) ? 'later' : 'done',
    };
    const pass: Line = {
      does: turns > 0 ? `Set ${order.join(' ')} lower, for the claw to bring home` : `One pass from below: ${order.join(' ')}`,
      says:
        foreseen === undefined || step.kind !== 'set'
          ? ''
          : `then ±${foreseen.afterPass.likely.toFixed(0)} ¢, 1 in 10 over ${foreseen.afterPass.high.toFixed(0)}`,
      state: step.kind === 'set' ? 'now' : step.kind === 'done' || (step.kind === 'claw' && turns > 0) ? 'done' : 'later',
    };
    const again: Line = {
      does: `Again until all are within ±${this.bridge.tolerance()} ¢`,
      says: '',
      state: step.kind === 'done' ? 'done' : 'later',
    };
    const only = this.desk.laidOut.only();
    return withNut(
      this.bridge.locks() ? { ...now.nut, only } : null,
      step.kind,
      turns > 0 ? [read, pass, claw, again] : [claw, read, pass, again],
    );
  });
  /** What had been foretold of the strings beside what came. */
  protected readonly came = computed(() => {
    const foretold = this.bridge.asTaken()?.foretold ?? [];
    if (foretold.length === 0) return null;
    const worst = [...foretold].sort((a, b) => Math.abs(b.heard - b.foretold) - Math.abs(a.heard - a.foretold))[0];
    if (worst === undefined) return null;
    return `Foretold and came: string ${worst.string + 1} ${signed(worst.foretold)} and ${signed(worst.heard)} ¢${foretold.length > 1 ? ', the others nearer' : ''}.`;
  });
  protected readonly block = computed(() => {
    const now = this.bridge.now();
    if (now === null || this.work.step()?.kind === 'done') return '';
    const { strings } = forcesAt(now.bridge, now.claw, now.angle, now.rests);
    const { low, high } = blockLoad(strings);
    const pull = (load: typeof low) => say(this.measures.pull(load));
    return `Or block it level, ${pull(low)} to ${pull(high)} on the block:`;
  });

  protected async compare(): Promise<void> {
    const { SchoolsDialog } = await import('./schools-dialog');
    this.dialog.open(SchoolsDialog, { data: this.bridge, width: '1180px', maxWidth: '96vw' });
  }

  /** Nothing where that was reckoned before something moved. */
  private clawBand(turns: number): string {
    const band = this.bridge.foreseen()?.foreseen.clawTurns;
    if (band === undefined || turns < band.low - NEAR || turns > band.high + NEAR) return '';
    return `${band.low.toFixed(1)} to ${band.high.toFixed(1)} turns, 8 in 10`;
  }
}

/** Turns of the claw that this step, or the pass it belongs to, asks for; null where it asks for none. */
function partOf(step: NonNullable<ReturnType<BridgeWork['step']>>): number | null {
  if (step.kind === 'claw') return step.turns;
  return step.kind === 'set' && step.leaves.travel > 0 ? step.leaves.travel / screwLead : null;
}

/** Where strings would hang loose before the whole way, the claw goes a part of it, and the rest after another pass. */
const sayPart = (part: number | null, whole: number): string =>
  part === null || Math.abs(part) > Math.abs(whole) - NEAR / 2 ? sayClaw(whole) : `${sayClaw(part)}, of ${sayClaw(whole)}`;

/** The same with what is done at a locking nut, if there is one: before all else, at the end, and where it has to be opened again. */
function withNut(nut: (LockingNut & { only: readonly number[] | null }) | null, step: string, lines: Line[]): Line[] {
  if (nut === null) return lines;
  // that it is gone over again is said by the line for the nut
  const most = lines.slice(0, -1);
  if (nut.shutAt !== null)
    return step === 'unclamp'
      ? [{ does: 'Open the clamps at the nut', says: 'out of reach', state: 'now' }, ...lines]
      : [{ does: 'Nut clamped: fine tuners now', says: '', state: 'done' }, ...most];
  const whose = nut.only === null ? ' of their travel' : `: string ${list(nut.only.map((lane) => lane + 1))}`;
  if (!nut.mid) return [{ does: `Fine tuners to the middle${whose}`, says: '', state: 'now' }, ...most];
  return [...most, { does: 'Shut the clamps, hear all, then fine tuners', says: '', state: step === 'clamp' ? 'now' : 'later' }];
}

const timeOf = (at: string) => houseTime({ hour: '2-digit', minute: '2-digit' }).format(new Date(at));
