import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { CONCERT_A4, nearestNote } from '@gold-peg/craft/units';
import { OneOf } from '../../ui/one-of';
import { WorksheetDesk } from '../desk';
import { Listening, type Source } from './listening';
import { SimulatedPegs } from './simulated-pegs';
import { TakeList } from './take-list';

const SOURCES: readonly { value: Source; label: string }[] = [
  { value: 'simulated', label: 'simulated' },
  { value: 'microphone', label: 'microphone' },
  { value: 'recording', label: 'WAV file' },
  { value: 'off', label: 'my own tuner' },
];
/** Level of the foot of the scale, dB of full scale. */
const FOOT = -70;

/** What is listened to and what is heard; what is typed from one's own tuner stands within. */
@Component({
  selector: 'peg-hearing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneOf, SimulatedPegs, TakeList],
  template: `
    <div class="sources">
      <peg-one-of about="Listen to" [choices]="SOURCES" [value]="listening.source()" (picked)="listening.listenTo($event)" />
      @if (listening.source() === 'simulated' || listening.source() === 'microphone') {
        <meter min="0" max="100" [value]="level()" aria-label="Level"></meter>
      }
    </div>
    @if (listening.fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }
    @switch (listening.source()) {
      @case ('off') {
        <ng-content />
      }
      @case ('recording') {
        <peg-take-list />
      }
      @case ('simulated') {
        <p>{{ says() }}</p>
        <peg-simulated-pegs />
      }
      @default {
        <p>{{ says() }}</p>
      }
    }
  `,
  styles: `
    .sources {
      display: flex;
      align-items: center;
      gap: var(--space-3);
    }
    meter {
      width: 90px;
    }
    p {
      margin: 3px 0;
      line-height: 1.3;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class HearingPanel {
  protected readonly SOURCES = SOURCES;
  protected readonly listening = inject(Listening);
  private readonly desk = inject(WorksheetDesk);
  private readonly a4 = computed(() => this.desk.instrument()?.a4 ?? CONCERT_A4);
  /** How loud it is, of what a microphone can take. */
  protected readonly level = computed(() => Math.max(0, Math.min(100, 100 * (1 - (this.listening.moment()?.decibels ?? FOOT) / FOOT))));
  protected readonly says = computed(() => {
    const [moment, which] = [this.listening.moment(), this.listening.which()];
    if (moment === null) return 'Listening …';
    const number = this.desk.lane() + 1;
    if (!moment.sounds) return `Nothing sounds: pluck string ${number}.`;
    const course = this.desk.lanes()[this.desk.lane()]?.place.course;
    const doubled = this.desk.lanes().filter(({ place }) => place.course === course).length > 1;
    const damp = doubled ? ' Damp its neighbour: two strings that beat are read as neither.' : '';
    if (moment.live === null) return `Something sounds, and is no clear note yet.${damp}`;
    const heard = `${nearestNote(moment.live.frequency, this.a4())}, ${moment.live.frequency.toFixed(1)} Hz`;
    if (which === null) return `${heard}: no string of this instrument.`;
    const another = which.string + 1 === number ? '' : ', another than the one in hand';
    return `${heard}: string ${which.string + 1}${another}, sure ${(100 * which.probability).toFixed(0)} %.${damp}`;
  });

  constructor() {
    this.listening.begin();
    inject(DestroyRef).onDestroy(() => this.listening.rest());
  }
}
