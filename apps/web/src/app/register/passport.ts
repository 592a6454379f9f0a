import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { pullOf } from '@gold-peg/contract/pulls';
import type { PastSetup } from '@gold-peg/contract/register';
import { fromMillimetres } from '@gold-peg/craft/units';
import { nameTuning } from '@gold-peg/craft/tuning';
import { Measures, say } from '../preferences/measures';
import { sayLeft } from '../preferences/slack-words';
import { Api } from '../server/api';
import { Session } from '../session/session';
import { troubleOf } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { sayFinding } from '../worksheet/look-over/finding-words';
import { geometryFacts } from './geometry-facts';
import { neckFact } from './neck-fact';
import { pullChart } from './passport-charts';
import { PassportEdit } from './passport-edit';
import { TakeIn } from './take-in';

/** An instrument's passport: what it is, what is on it, and all past setups. */
@Component({
  selector: 'peg-passport',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fact, MatButtonModule, MatTooltipModule, PassportEdit, PlaceHeader, RouterLink, TakeIn, Trouble, UnderWay],
  templateUrl: './passport.html',
  styleUrl: './passport.scss',
})
export class PassportPage {
  readonly id = input.required<string>();

  private readonly api = inject(Api);
  private readonly measures = inject(Measures);

  protected readonly passport = resource({
    params: () => ({ id: this.id() }),
    loader: ({ params }) => this.api.call('passport', { params }),
  });
  protected readonly trouble = computed(() => troubleOf(this.passport));
  protected readonly mayWork = inject(Session).mayWork;
  protected readonly editing = signal(false);

  protected readonly sub = computed(() => {
    if (!this.passport.hasValue()) return '';
    const { passport, facts, scaleMm } = this.passport.value();
    return `passport ${String(passport).padStart(4, '0')} · ${facts} · ${scaleMm.toFixed(0)} mm`;
  });
  protected readonly strings = computed(() => {
    if (!this.passport.hasValue()) return [];
    const { geometry, current } = this.passport.value();
    return geometry.strings.map((place, index) => {
      const string = current?.strings.find(({ string: number }) => number === index + 1);
      const slack = string?.slackMm == null ? null : fromMillimetres(string.slackMm);
      return {
        number: index + 1,
        note: place.note,
        scale: say(this.measures.length(fromMillimetres(place.scaleMm))),
        gauge: string === undefined ? '–' : this.measures.gauge(string.gaugeMm),
        construction: string?.construction ?? '',
        ...sayLeft({ turns: string?.turns ?? null, slack, clamped: place.post.style === 'clamp' }, this.measures),
        since: current === null || string === undefined ? '–' : DATE.format(new Date(string.fittedAt ?? current.fittedAt)),
        setName: string?.setName ?? current?.only?.name ?? current?.setName ?? '',
        rounds: string?.dropsCents?.length ?? '–',
      };
    });
  });
  private readonly sayLength = (mm: number, digits?: number): string => say(this.measures.length(fromMillimetres(mm), digits));
  protected readonly geometry = computed(() =>
    this.passport.hasValue()
      ? [...geometryFacts(this.passport.value().geometry, this.sayLength), neckFact(this.passport.value(), this.sayLength)]
      : [],
  );
  protected readonly past = computed(() =>
    this.passport.hasValue() ? this.passport.value().setups.map((setup) => this.storyOf(setup)) : [],
  );
  protected readonly chart = computed(() => {
    if (!this.passport.hasValue()) return null;
    const { geometry, setups } = this.passport.value();
    const steps = [...setups].reverse().flatMap((setup) => {
      const pull = pullOf(geometry, setup);
      return pull === null ? [] : [{ at: Date.parse(setup.fittedAt), pull, label: say(this.measures.pull(pull)) }];
    });
    return pullChart(steps, Date.now());
  });

  protected changed(): void {
    this.editing.set(false);
    this.passport.reload();
  }

  private storyOf(setup: PastSetup) {
    const pull = this.passport.hasValue() ? pullOf(this.passport.value().geometry, setup) : null;
    return {
      id: setup.jobId,
      when: DATE.format(new Date(setup.fittedAt)),
      setName: setup.only === undefined ? setup.setName : `string ${setup.only.strings.join(', ')}: ${setup.only.name}`,
      by: setup.fittedBy,
      remark: [tuningOf(setup), setup.remark, ...setup.notes, foundOf(setup), lostOf(setup)].filter((text) => text !== '').join(' · '),
      pull: pull === null ? '–' : say(this.measures.pull(pull)),
    };
  }
}

const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** The tuning a setup was made for, where one was chosen with it. */
function tuningOf({ tuning }: PastSetup): string {
  return tuning === undefined ? '' : `tuned ${nameTuning(tuning.notes.map(({ note }) => note))}, A = ${tuning.a4Hz} Hz`;
}

const foundOf = ({ findings = [] }: PastSetup): string => (findings.length === 0 ? '' : `found: ${findings.map(sayFinding).join('; ')}`);

const lostOf = ({ scrapped = [] }: PastSetup): string =>
  scrapped.map(({ string, why }) => `string ${string} lost: ${why.replaceAll('-', ' ')}`).join(', ');
