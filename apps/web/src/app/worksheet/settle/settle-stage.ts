import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stretchingInForce } from '@gold-peg/craft/bench-run';
import { ROUNDS } from '@gold-peg/craft/constants';
import { isSoft, type Stretching } from '@gold-peg/craft/methods';
import { mostAside, tensionFor } from '@gold-peg/craft/tension';
import { newtons } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { WorksheetDesk } from '../desk';
import { StageLanes } from '../lanes';
import { NowPanel } from '../now';
import { SchoolLine } from '../school';
import { RetunePanel } from './retune-panel';
import { RoundPanel } from './round-panel';
import { Settling } from './settling';

/** Schools that pull a string aside; the others twist it, dip it or leave it alone. */
const PULLED_ASIDE: readonly Stretching[] = ['along', 'sideways', 'nodes'];

/** Rounds of stretching and tuning, until each string stays: what they cost lies in the lanes. */
@Component({
  selector: 'peg-settle-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, NowPanel, RetunePanel, RoundPanel, SchoolLine, StageLanes],
  templateUrl: './settle-stage.html',
  styleUrl: '../plain/plain-stage.scss',
})
export class SettleStage {
  protected readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);
  private readonly measures = inject(Measures);
  private readonly isBass = computed(() => this.desk.instrument()?.family === 'bass');
  /** How far the string in hand is pulled aside at most; null where it is not stretched so. */
  protected readonly limit = computed(() => {
    const [plan, instrument] = [this.desk.planInHand(), this.desk.instrument()];
    const { string, place } = this.desk.lanes()[this.desk.lane()] ?? { string: null, place: undefined };
    if (plan === null || instrument === null || string === null || place === undefined) return null;
    const school = stretchingInForce(instrument, this.desk.choices(), isSoft(string));
    if (!PULLED_ASIDE.includes(school.value)) return null;
    const { pull, safePitch } = plan.load;
    const safe = tensionFor(safePitch, place.scaleLength, string);
    const most = newtons(pull + (safe - pull) * (this.isBass() ? ROUNDS.gentleOnBass.value : 1));
    return say(
      this.measures.length(mostAside({ pull, most, stiffness: string.stiffness, scale: place.scaleLength, path: plan.stretch.path })),
    );
  });
  protected readonly why = computed(() =>
    this.isBass() ? 'half of what it may still bear, overstretching ruins a bass string.' : 'there it bears what is safe.',
  );
  protected readonly step = this.desk.stepInHand;
  protected readonly drops = computed(() => this.settling.strings().map(({ drops }) => drops));
  protected readonly verdicts = computed(() => this.settling.strings().map(({ says }) => says?.short ?? ''));
}
