import { ChangeDetectionStrategy, Component, computed, effect, inject, input, resource, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { passportSchema, type Passport } from '@gold-peg/contract/register';
import { dequal } from 'dequal';
import { BuildParts, BuildPicture, BuildSharpens, GeometryDraft, inWords, type Part } from '../build';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { troubleOf } from '../server/server-problem';
import { BothVersions } from '../ui/both-versions';
import { differences } from '../ui/differences';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';

/** What an instrument really is: its posts, head, strings and bridge, dragged, typed, or from a few lengths of a rule. */
@Component({
  selector: 'peg-build-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, BuildParts, BuildPicture, BuildSharpens, MatButtonModule, PlaceHeader, RouterLink, Trouble, UnderWay],
  providers: [GeometryDraft],
  templateUrl: './build-page.html',
  styleUrl: './build-page.scss',
})
export class BuildPage {
  readonly id = input.required<string>();
  /** Which part is shown first. */
  readonly part = input<Part>();

  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly draft = inject(GeometryDraft);

  protected readonly passport = resource({
    params: () => ({ id: this.id() }),
    loader: ({ params }) => this.api.call('passport', { params }),
  });
  protected readonly trouble = computed(() => troubleOf(this.passport));
  protected readonly saved = computed(() => (this.passport.hasValue() ? this.passport.value() : null));
  /** Its log speaks of so many strings. */
  protected readonly fixed = computed(() => this.saved()?.openJobId !== null || this.saved()?.current !== null);
  protected readonly keeper = new Keeper<Passport>((current) => passportSchema.parse(current));
  /** Measures that somebody else changed meanwhile, beside those typed here. */
  protected readonly clashes = computed(() => {
    const saved = this.saved();
    const now = saved === null ? null : this.keeper.inTheWayOf(saved);
    return now === null
      ? []
      : differences(now.geometry, this.draft.geometry())
          .filter(({ path }) => path[0] !== 'measured')
          .map(({ path, ...both }) => ({ what: inWords(path), now: sayMeasure(both.now), typed: sayMeasure(both.typed) }));
  });

  constructor() {
    effect(() => {
      const geometry = this.saved()?.geometry ?? null;
      untracked(() => this.draft.begin(geometry));
    });
  }

  protected revert(): void {
    this.draft.revert();
    this.keeper.forget();
  }

  protected async keep(): Promise<void> {
    const [read, geometry] = [this.saved(), this.draft.geometry()];
    if (read === null || geometry === null) return;
    const kept = await this.keeper.keep({
      read,
      untouched: (now, before) => [before.geometry, geometry].some((each) => dequal(now.geometry, each)),
      send: ({ id, version }) => this.api.call('changeGeometry', { params: { id }, body: { version, geometry } }),
    });
    if (kept !== null)
      await this.router.navigate(kept.openJobId === null ? ['/register', kept.id] : ['/worksheet', kept.openJobId, 'wind']);
  }

  /** What was typed gives way to what stands now. */
  protected take(): void {
    const saved = this.saved();
    const now = saved === null ? null : this.keeper.inTheWayOf(saved);
    if (now !== null) this.passport.set(now);
    this.revert();
  }
}

const sayMeasure = (value: unknown): string =>
  typeof value === 'number' ? String(Number(value.toFixed(2))) : typeof value === 'string' ? value : '–';
