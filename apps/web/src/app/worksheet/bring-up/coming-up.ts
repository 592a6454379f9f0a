import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Hang } from '@gold-peg/craft/nut';
import type { PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { Measures, degrees, say } from '../../preferences/measures';
import { WorksheetDesk } from '../desk';

interface Fact {
  label: string;
  value: string;
  /** How far it can be trusted, or what to do about it. */
  says: string;
}

/** What the hand feels while a string comes up: what a turn of the button brings, how the string may hang at its nut, and which one hangs most. */
@Component({
  selector: 'peg-coming-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl>
      @for (fact of facts(); track fact.label) {
        <dt>{{ fact.label }}</dt>
        <dd>
          <b>{{ fact.value }}</b>&ngsp;<span class="soft">{{ fact.says }}</span>
        </dd>
      }
    </dl>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0 var(--space-3);
      margin: 2px 0 0;
      font-size: 15px;
      line-height: 1.3;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
    }
  `,
})
export class ComingUp {
  private readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);

  protected readonly facts = computed<Fact[]>(() => {
    const plan = this.desk.planInHand();
    if (plan?.kind === 'clamp') return [this.atTheScrew(plan), ...this.pulls(plan)];
    return plan === null ? [] : [this.atTheButton(plan), ...this.atTheNut(plan), ...this.hangsMost(), ...this.pulls(plan)];
  });

  private atTheButton({ buttonTurns, centsPerButtonTurn: turn }: PostPlan): Fact {
    return {
      label: 'a turn of the button',
      value: `${turn.toFixed(0)} ¢ near pitch`,
      says: `${buttonTurns.toFixed(0)} turns from the straight string to there`,
    };
  }

  private atTheScrew({ screw }: Extract<WindPlan, { kind: 'clamp' }>): Fact {
    return {
      label: 'screw',
      value: `${screw.turns.toFixed(1)} turns to pitch`,
      says: `${say(this.measures.length(screw.left, 1))} of its travel left there`,
    };
  }

  private atTheNut({ nut }: PostPlan): Fact[] {
    if (nut === null) return [];
    const { hang, vertical } = nut;
    return [
      {
        label: 'hang at the nut',
        value: `${hang.likely.toFixed(0)} ¢`,
        says: `${sayBand(hang)} at ${degrees(vertical)}, an estimate: it lets go with a ping`,
      },
    ];
  }

  /** The string of this job that would jump farthest. */
  private hangsMost(): Fact[] {
    const inJob = this.desk.inJob();
    const hanging = this.desk.plans().flatMap((plan, index) => {
      const hang = plan?.kind === 'post' ? plan.nut?.hang : undefined;
      return hang === undefined || inJob[index] === false ? [] : [{ number: index + 1, hang }];
    });
    const [most, ...others] = hanging.sort((one, other) => other.hang.likely - one.hang.likely);
    if (most === undefined || others.length === 0) return [];
    return [
      {
        label: 'hangs most',
        value: `string ${most.number}`,
        says: `${most.hang.likely.toFixed(0)} ¢: come up from below, and stretch it until it has let go`,
      },
    ];
  }

  private pulls({ load }: WindPlan): Fact[] {
    const reserve = (100 * load.reserve).toFixed(0);
    return [{ label: 'pulls at pitch', value: say(this.measures.pull(load.pull)), says: `${reserve} % short of breaking` }];
  }
}

const sayBand = ({ low, high }: Hang): string => `${low.toFixed(0)} to ${high.toFixed(0)}`;
