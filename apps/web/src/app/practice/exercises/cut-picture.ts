import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Drag, type Dragged } from '../../ui/drag';
import { stepOf } from '../arrow-step';

const [WIDE, HIGH] = [790, 220];
/** Where the post stands, the string coming from the nut at the right. */
const POST_X = 560;
const STRING_Y = 112;
const PX_PER_MM = 3.4;
/** A key moves the mark by so much. */
const KEY_MM = 1;
const MOST_MM = 150;

/** A string that runs straight past its post, to scale: where is it cut? */
@Component({
  selector: 'peg-cut-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag],
  template: `<svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" role="group" aria-label="A string that runs past its post">
    <rect class="wood" x="10" y="60" width="660" height="120" rx="16" />
    <rect class="bone" x="670" y="52" width="10" height="136" />
    <rect class="board" x="680" y="62" width="110" height="116" />
    <circle class="post" [attr.cx]="POST_X" [attr.cy]="STRING_Y" [attr.r]="radius()" />
    <text [attr.x]="POST_X" y="206">the post, {{ postMm().toFixed(1) }} mm</text>
    @if (wanted() !== null) {
      <line class="wanted" [attr.x1]="x(wanted() ?? 0)" [attr.x2]="x(wanted() ?? 0)" y1="66" y2="158" />
      <text class="wanted-says" [attr.x]="x(wanted() ?? 0)" y="52">{{ wantedSays() }}</text>
    }
    <line
      class="string"
      [class.wound]="wound()"
      x1="790"
      [attr.x2]="x(mm())"
      [attr.y1]="STRING_Y"
      [attr.y2]="STRING_Y"
      [attr.stroke-width]="thick()"
    />
    <line
      class="gone"
      [class.wound]="wound()"
      [attr.x1]="x(mm())"
      x2="10"
      [attr.y1]="STRING_Y"
      [attr.y2]="STRING_Y"
      [attr.stroke-width]="thick()"
    />
    <g
      class="mark"
      role="slider"
      aria-label="Cut mark, past the post"
      aria-valuemin="0"
      [attr.tabindex]="moves() ? 0 : null"
      [attr.aria-disabled]="!moves()"
      [attr.aria-valuemax]="MOST_MM"
      [attr.aria-valuenow]="mm()"
      [attr.aria-valuetext]="mm().toFixed(0) + ' mm'"
      [pegDrag]="moves()"
      (pegDragged)="drag($event)"
      (keydown)="press($event)"
    >
      <rect class="reach" [attr.x]="x(mm()) - 24" y="70" width="48" height="84" />
      <line [attr.x1]="x(mm())" [attr.x2]="x(mm())" y1="78" y2="146" />
      <text [attr.x]="x(mm())" y="172">{{ yoursSays() || 'cut' }}</text>
    </g>
  </svg>`,
  styleUrl: './cut-picture.scss',
})
export class CutPicture {
  readonly mm = input.required<number>();
  readonly postMm = input.required<number>();
  readonly gaugeMm = input.required<number>();
  readonly wound = input(false);
  readonly moves = input(false);
  readonly wanted = input<number | null>(null);
  readonly wantedSays = input('');
  readonly yoursSays = input('');
  readonly cutAt = output<number>();

  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly POST_X = POST_X;
  protected readonly STRING_Y = STRING_Y;
  protected readonly MOST_MM = MOST_MM;
  protected readonly radius = computed(() => (this.postMm() / 2) * PX_PER_MM);
  protected readonly thick = computed(() => Math.max(2, this.gaugeMm() * PX_PER_MM));

  protected x(mm: number): number {
    return POST_X - mm * PX_PER_MM;
  }

  protected drag({ x }: Dragged): void {
    this.moveTo((POST_X - x) / PX_PER_MM);
  }

  protected press(event: KeyboardEvent): void {
    const step = stepOf(event.key, 'left');
    if (step === null || !this.moves()) return;
    event.preventDefault();
    this.moveTo(this.mm() + step * KEY_MM);
  }

  /** Between the post and the end of the headstock. */
  private moveTo(mm: number): void {
    this.cutAt.emit(Math.round(2 * Math.max(0, Math.min(MOST_MM, mm))) / 2);
  }
}
