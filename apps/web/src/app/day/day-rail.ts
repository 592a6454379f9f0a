import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, type Signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Day } from '@gold-peg/contract/day';
import type { Plan, Promised } from '@gold-peg/craft/day';
import { Drag, type Dragged } from '../ui/drag';
import { MeasuredWidth } from '../ui/measured-width';
import type { Moved } from './day-desk';
import { dayTime } from './day-words';
import { GROOVE_PX, railOf, type Block } from './rail';

/** An arrow moves a block by so many minutes, a drag snaps to as many. */
const STEP_MIN = 5;
const NUDGE_MIN = 15;
const HOUR_MIN = 60;

/** The bench day on the rail of hours. Blocks are dragged, or moved by arrows, to another hour or bench; they stay pinned there until they are let go. */
@Component({
  selector: 'peg-day-rail',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag, MeasuredWidth],
  templateUrl: './day-rail.html',
  styleUrl: './day-rail.scss',
})
export class DayRail {
  readonly day = input.required<Day>();
  readonly plan = input.required<Plan>();
  readonly promises = input.required<readonly Promised[]>();
  readonly days = input(2);
  /** Where something was moved to that is not answered yet; as a signal, since two keys may come between two looks at the page. */
  readonly asking = input.required<Signal<Moved | null>>();
  readonly pinned = output<Moved>();
  readonly unpinned = output<Pick<Moved, 'job' | 'operation'>>();

  private readonly router = inject(Router);
  protected readonly GROOVE_PX = GROOVE_PX;
  protected readonly RULE_PX = 34;
  protected readonly width = signal(1180);
  protected readonly rail = computed(() =>
    railOf(this.day(), this.plan(), { width: this.width(), days: this.days(), promises: this.promises() }),
  );
  /** A block on its way, where it would lie if it was let go. */
  protected readonly held = signal<{ block: Block; x: number; y: number; grip: number; moved: boolean } | null>(null);

  protected firstName = (name: string): string => name.split(' ')[0] ?? name;

  protected labelOf(block: Block): string {
    const { placed, job, pinned, minutes } = block;
    const what = { work: 'bench work', visit: 'tune again', 'hand-over': 'hand over' }[block.kind];
    const person = this.day().people.find(({ id }) => id === placed.person)?.name ?? '';
    return `${block.passport} ${job.name}, ${what}, ${dayTime(this.day(), placed.start)}, ${minutes} min, ${person}${pinned ? ', pinned' : ''}`;
  }

  protected drag(block: Block, { x, y: inPicture }: Dragged): void {
    const y = inPicture - this.RULE_PX;
    const held = this.held();
    if (held?.block.placed !== block.placed) {
      this.held.set({ block, x: block.x, y: block.y, grip: x - block.x, moved: false });
      return;
    }
    const moved = held.moved || Math.abs(x - held.grip - block.x) > 3 || this.grooveAt(y) !== this.grooveAt(block.y + 1);
    this.held.set({ ...held, block, x: x - held.grip, y: this.grooveYAt(y), moved });
  }

  protected drop(): void {
    const held = this.held();
    this.held.set(null);
    if (held === null) return;
    if (!held.moved) return void this.router.navigate(['/worksheet', held.block.job.id]);
    const { scale } = this.rail();
    const start = Math.max(this.day().now, Math.round(scale.x.invert(held.x - 10) / STEP_MIN) * STEP_MIN);
    this.pinTo(held.block, start, this.grooveAt(held.y + 1));
  }

  protected key(block: Block, event: KeyboardEvent): void {
    const { placed } = block;
    const people = this.day().people;
    const is = (each: { job: string; operation: string }) => each.job === placed.job && each.operation === placed.operation;
    // keys come faster than answers, and those faster than plans: it goes on from where it was last moved to
    const { start, person } = [this.asking()(), ...this.day().pinned].find((each) => each !== null && is(each)) ?? placed;
    const at = people.findIndex(({ id }) => id === person);
    const by = event.shiftKey ? HOUR_MIN : NUDGE_MIN;
    const does: Record<string, (() => void) | undefined> = {
      ArrowLeft: () => this.pinTo(block, start - by, person),
      ArrowRight: () => this.pinTo(block, start + by, person),
      ArrowUp: () => this.pinTo(block, start, people[at - 1]?.id ?? person),
      ArrowDown: () => this.pinTo(block, start, people[at + 1]?.id ?? person),
      Delete: () => this.unpinned.emit({ job: placed.job, operation: placed.operation }),
      Enter: () => void this.router.navigate(['/worksheet', placed.job]),
    };
    const act = does[event.key];
    if (act === undefined) return;
    event.preventDefault();
    event.stopPropagation(); // arrows go from stage to stage elsewhere
    act();
  }

  private pinTo({ placed: { job, operation } }: Block, start: number, person: string): void {
    this.pinned.emit({ job, operation, person, start: Math.max(this.day().now, start) });
  }

  /** Whose groove lies nearest. */
  private grooveAt(y: number): string {
    return this.nearest(y)?.person.id ?? '';
  }

  private grooveYAt(y: number): number {
    return this.nearest(y)?.y ?? y;
  }

  private nearest(y: number) {
    const far = (groove: { y: number }) => Math.abs(groove.y + GROOVE_PX / 2 - y);
    return [...this.rail().grooves].sort((a, b) => far(a) - far(b))[0];
  }
}
