import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import type { PastSetup } from '@gold-peg/contract/register';
import { expectedEffort } from '@gold-peg/craft/day';
import { fromMillimetres } from '@gold-peg/craft/units';
import { nameTuning } from '@gold-peg/craft/tuning';
import { Measures, say } from '../preferences/measures';
import { sayLeft } from '../preferences/slack-words';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { Session } from '../session/session';
import { sayPromise } from '../today/promise-words';
import { sayProblem, ServerProblem } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { sayFinding } from '../worksheet/look-over/finding-words';
import { geometryFacts } from './geometry-facts';
import { pullChart, pullOf } from './passport-charts';
import { PassportEdit } from './passport-edit';

/** An instrument's passport: what it is, what is on it, and all past setups. */
@Component({
  selector: 'peg-passport',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fact, FormsModule, MatButtonModule, PassportEdit, PlaceHeader, RouterLink, Trouble],
  templateUrl: './passport.html',
  styleUrl: './passport.scss',
})
export class PassportPage {
  readonly id = input.required<string>();

  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly measures = inject(Measures);

  protected readonly passport = resource({
    params: () => ({ id: this.id() }),
    loader: ({ params }) => this.api.call('passport', { params }),
  });
  protected readonly trouble = computed(() => {
    const error = this.passport.error();
    return error === undefined ? null : sayProblem(error.cause ?? error);
  });
  protected readonly mayWork = inject(Session).mayWork;
  private readonly newJob = new NewThing();
  protected readonly busy = this.newJob.busy;
  protected readonly editing = signal(false);
  protected readonly fault = signal<string | null>(null);
  protected readonly reason = signal('');
  protected readonly promised = signal('');

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
  protected readonly geometry = computed(() =>
    this.passport.hasValue()
      ? geometryFacts(this.passport.value().geometry, (mm, digits) => say(this.measures.length(fromMillimetres(mm), digits)))
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

  /** Where settling cannot keep what is being promised, by the strings that are on it now or are usual on it. */
  protected readonly promise = computed(() => {
    if (!this.passport.hasValue() || this.promised() === '') return null;
    const { family, current, stringCount } = this.passport.value();
    const usual = family === 'classical' || family === 'ukulele' ? ('nylon' as const) : ('plain' as const);
    const constructions = current?.strings.map(({ construction }) => construction) ?? Array.from({ length: stringCount }, () => usual);
    return sayPromise(this.promised(), Date.now(), expectedEffort(family, constructions));
  });

  protected changed(): void {
    this.editing.set(false);
    this.passport.reload();
  }

  protected async takeIn(): Promise<void> {
    this.fault.set(null);
    try {
      const promisedAt = this.promised() === '' ? null : new Date(this.promised()).toISOString();
      const job = await this.newJob.make((id) =>
        this.api.call('takeIn', { body: { id, instrumentId: this.id(), reason: this.reason().trim(), promisedAt } }),
      );
      if (job !== null) await this.router.navigate(['/worksheet', job.id]);
    } catch (error) {
      if (error instanceof ServerProblem && error.kind === 'taken') this.passport.reload(); // it shows the worksheet that is open
      this.fault.set(sayProblem(error));
    }
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
