import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Router, RouterLink } from '@angular/router';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { pullOf } from '@gold-peg/contract/pulls';
import type { Message } from '@gold-peg/contract/outbox';
import type { PastSetup } from '@gold-peg/contract/register';
import { fromMillimetres } from '@gold-peg/craft/units';
import { threadsOf } from '@gold-peg/craft/findings';
import { nameTuning } from '@gold-peg/craft/tuning';
import { Measures, say } from '../preferences/measures';
import { sayLeft } from '../preferences/slack-words';
import { Api } from '../server/api';
import { Session } from '../session/session';
import { sayProblem, troubleOf } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { OneOf, type Choice } from '../ui/one-of';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { WayBack } from '../ui/way-back';
import { sayFinding } from '../worksheet/look-over/finding-words';
import { geometryFacts } from './geometry-facts';
import { neckFact } from './neck-fact';
import { DuePanel, dueIn, LifePicture, Remind } from './life';
import { MergePanel } from './merge-panel';
import { PassportEdit } from './passport-edit';
import { Photos } from './photos';
import { TakeIn } from './take-in';
import { houseTime } from '../server/house-zone';

type View = 'line' | 'tables' | 'photos';
const VIEWS: readonly Choice<View>[] = [
  { value: 'line', label: 'time line' },
  { value: 'tables', label: 'as tables' },
  { value: 'photos', label: 'photos' },
];

/** An instrument's passport: what it is, what is on it, and all past setups. */
@Component({
  selector: 'peg-passport',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DuePanel,
    Fact,
    LifePicture,
    MatButtonModule,
    MatTooltipModule,
    OneOf,
    MergePanel,
    PassportEdit,
    Photos,
    PlaceHeader,
    Remind,
    RouterLink,
    TakeIn,
    Trouble,
    UnderWay,
  ],
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
  protected readonly VIEWS = VIEWS;
  protected readonly view = signal<View>('line');
  /** What is done about it, in place of when it is due. */
  protected readonly doing = signal<'edit' | 'merge' | 'take-in' | 'remind' | null>(null);
  private readonly wayBack = inject(WayBack);
  private readonly router = inject(Router);

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
  protected readonly now = signal(Date.now());
  protected readonly due = computed(() => (this.passport.hasValue() ? dueIn(this.passport.value(), this.now()) : null));
  protected readonly facts = computed(() => {
    if (!this.passport.hasValue()) return null;
    const { geometry, current, setups, currentSet } = this.passport.value();
    const pull = current === null ? null : pullOf(geometry, current);
    const open = threadsOf(setups).filter(({ until }) => until === null).length;
    return {
      since: current === null ? '' : `, since ${DATE.format(new Date(current.fittedAt))}`,
      set: currentSet ?? 'nothing known',
      pull: pull === null ? '–' : say(this.measures.pull(pull)),
      open,
      findings: open === 0 ? 'nothing' : open === 1 ? '1 finding' : `${open} findings`,
    };
  });

  /** Papers of it: a label for its case, and the card that went home with it last. */
  protected readonly label = computed(() => ENDPOINTS.labelPdf.path.replace(':id', this.id()));
  protected readonly card = computed(() => {
    const last = this.passport.hasValue() ? this.passport.value().setups[0] : undefined;
    return last === undefined ? null : ENDPOINTS.cardPdf.path.replace(':id', last.jobId);
  });

  /** It is another one of the register, which has all of it now. */
  protected async follow(id: string): Promise<void> {
    this.doing.set(null);
    this.wayBack.tell('Both are one now.');
    await this.router.navigate(['/register', id]);
  }

  /** Out of the register, or back into it. */
  protected async archive(): Promise<void> {
    if (!this.passport.hasValue()) return;
    const { id, version, archivedAt, name } = this.passport.value();
    try {
      await this.api.call('archiveInstrument', { params: { id }, body: { version, archived: archivedAt === null } });
      this.wayBack.tell(archivedAt === null ? `${name} left the register.` : `${name} is in the register again.`);
    } catch (error) {
      this.wayBack.tell(sayProblem(error));
    }
    this.changed();
  }

  protected said({ recipient, way }: Message): void {
    this.doing.set(null);
    this.wayBack.tell(`The ${way === 'mail' ? 'mail' : 'text message'} to ${recipient} lies in the outbox.`);
  }

  protected changed(): void {
    this.doing.set(null);
    this.now.set(Date.now());
    this.passport.reload();
  }

  private storyOf(setup: PastSetup) {
    const pull = this.passport.hasValue() ? pullOf(this.passport.value().geometry, setup) : null;
    return {
      id: setup.jobId,
      when: DATE.format(new Date(setup.fittedAt)),
      setName: setup.only === undefined ? setup.setName : `string ${setup.only.strings.join(', ')}: ${setup.only.name}`,
      by: setup.minutes === undefined ? setup.fittedBy : `${setup.fittedBy}, ${setup.minutes.toFixed(0)} min`,
      remark: [tuningOf(setup), setup.remark, ...setup.notes, foundOf(setup), lostOf(setup)].filter((text) => text !== '').join(' · '),
      pull: pull === null ? '–' : say(this.measures.pull(pull)),
    };
  }
}

const DATE = houseTime({ day: 'numeric', month: 'short', year: 'numeric' });

/** The tuning a setup was made for, where one was chosen with it. */
function tuningOf({ tuning }: PastSetup): string {
  return tuning === undefined ? '' : `tuned ${nameTuning(tuning.notes.map(({ note }) => note))}, A = ${tuning.a4Hz} Hz`;
}

const foundOf = ({ findings = [] }: PastSetup): string => (findings.length === 0 ? '' : `found: ${findings.map(sayFinding).join('; ')}`);

const lostOf = ({ scrapped = [] }: PastSetup): string =>
  scrapped.map(({ string, why }) => `string ${string} lost: ${why.replaceAll('-', ' ')}`).join(', ');
