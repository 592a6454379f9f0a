import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { nutToFret } from '@gold-peg/craft/post';
import { metres, type Metres } from '@gold-peg/craft/units';
import { Drag, type Dragged } from '../../ui/drag';
import { stepOf } from '../arrow-step';

const [WIDE, HIGH] = [790, 300];
/** Where the nut stands, and the top of the board. */
const [NUT_X, BOARD_Y] = [140, 236];
const BRIDGE_X = 740;
const FRETS = [1, 3, 5, 7, 9, 12];
/** A key lifts by so much. */
const KEY_MM = 2;

/** A string that is lifted in its middle, from the side and to scale, a fist on the board beside it. */
@Component({
  selector: 'peg-lift-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag],
  template: `<svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" [attr.aria-label]="'A string lifted at fret 12, from the side'" role="group">
    <path class="wood" d="M22 276 L140 240 L150 262 L30 296 Z" />
    <path class="wood" [attr.d]="'M140 242 H560 q20 0 26 22 V286 H' + WIDE + ' V250 H140 Z'" />
    <rect class="board" x="140" [attr.y]="BOARD_Y" width="440" height="7" />
    <rect class="bone" x="132" y="228" width="8" height="16" />
    <rect class="bone" x="740" y="228" width="6" height="14" />
    @for (fret of frets(); track fret.number) {
      <line class="fret" [attr.x1]="fret.x" [attr.x2]="fret.x" [attr.y1]="BOARD_Y - 2" [attr.y2]="BOARD_Y" />
      <text [attr.x]="fret.x" y="262" [class.here]="fret.number === 12">{{ fret.number }}</text>
    }
    <line class="straight" x1="136" x2="743" [attr.y1]="BOARD_Y - 8" [attr.y2]="BOARD_Y - 8" />
    <g class="hand" [attr.transform]="'translate(' + (middle() + 54) + ' 0)'">
      <rect [attr.y]="BOARD_Y - fist()" width="52" [attr.height]="fist()" rx="12" />
      @for (knuckle of [1, 2, 3]; track knuckle) {
        <line x1="7" x2="45" [attr.y1]="BOARD_Y - (fist() * knuckle) / 4" [attr.y2]="BOARD_Y - (fist() * knuckle) / 4 - 2" />
      }
      <text x="26" [attr.y]="BOARD_Y - fist() - 6">a fist</text>
    </g>
    @if (wanted() !== null) {
      <path class="wanted" [attr.d]="path(wanted() ?? 0)" />
      <text class="wanted-says" [attr.x]="WIDE - 12" y="22">{{ wantedSays() }}</text>
    }
    <path class="string" [class.wound]="wound()" [attr.d]="path(mm())" [attr.stroke-width]="thick()" />
    <text class="yours-says" [attr.x]="WIDE - 12" y="44">{{ yoursSays() }}</text>
    @if (moves()) {
      <circle
        class="handle"
        r="13"
        tabindex="0"
        role="slider"
        aria-label="Lift at fret 12"
        aria-orientation="vertical"
        aria-valuemin="0"
        [attr.aria-valuemax]="most()"
        [attr.aria-valuenow]="mm()"
        [attr.aria-valuetext]="mm().toFixed(0) + ' mm'"
        [attr.cx]="middle()"
        [attr.cy]="top(mm())"
        (pegDragged)="drag($event)"
        (keydown)="press($event)"
        [pegDrag]="true"
      />
    }
  </svg>`,
  styleUrl: './picture.scss',
})
export class LiftPicture {
  readonly scaleLength = input.required<Metres>();
  readonly mm = input.required<number>();
  readonly fistMm = input.required<number>();
  readonly gaugeMm = input.required<number>();
  readonly wound = input(false);
  readonly moves = input(false);
  readonly wanted = input<number | null>(null);
  readonly wantedSays = input('');
  readonly yoursSays = input('');
  readonly lifted = output<number>();

  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly BOARD_Y = BOARD_Y;
  private readonly pxPerMm = computed(() => (BRIDGE_X - NUT_X) / (1000 * this.scaleLength()));
  protected readonly middle = computed(() => (NUT_X + BRIDGE_X) / 2);
  protected readonly fist = computed(() => this.fistMm() * this.pxPerMm());
  protected readonly thick = computed(() => Math.max(2, this.gaugeMm() * this.pxPerMm() * 2));
  /** As far as the picture goes. */
  protected readonly most = computed(() => Math.floor((BOARD_Y - 24) / this.pxPerMm()));
  protected readonly frets = computed(() =>
    FRETS.map((number) => ({ number, x: NUT_X + nutToFret(number, metres(1000 * this.scaleLength())) * this.pxPerMm() })),
  );

  protected top(mm: number): number {
    return BOARD_Y - 8 - mm * this.pxPerMm();
  }

  protected path(mm: number): string {
    return `M30 282 L136 ${BOARD_Y - 8} L${this.middle()} ${this.top(mm)} L743 ${BOARD_Y - 8} L756 246`;
  }

  protected drag({ y }: Dragged): void {
    this.lift((BOARD_Y - 8 - y) / this.pxPerMm());
  }

  protected press(event: KeyboardEvent): void {
    const step = stepOf(event.key);
    if (step === null) return;
    event.preventDefault();
    this.lift(this.mm() + step * KEY_MM);
  }

  /** Between the board and the top of the picture. */
  private lift(mm: number): void {
    this.lifted.emit(Math.round(2 * Math.max(0, Math.min(this.most(), mm))) / 2);
  }
}
