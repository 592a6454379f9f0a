import { ChangeDetectionStrategy, Component, computed, inject, input, resource } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import { drawHead, drawMoves, drawNeck, handOverCard, letterOf, sayOff, type HandOverCard } from '@gold-peg/contract/papers';
import { newtons } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { Session } from '../session/session';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { houseTime, houseZone } from '../server/house-zone';

const DATE = houseTime({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });
const HOUR = houseTime({ weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const DRAWING_PX = { neck: 300, moves: 700 };

/** The hand-over card on the screen, to be read there and printed from there. */
@Component({
  selector: 'peg-card-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, PlaceHeader, Trouble, UnderWay],
  templateUrl: './card-page.html',
  styleUrl: './card-page.scss',
})
export class CardPage {
  /** Of the job. */
  readonly id = input.required<string>();

  private readonly api = inject(Api);
  private readonly session = inject(Session);
  private readonly measures = inject(Measures);
  private readonly file = resource({ params: () => this.id(), loader: ({ params }) => this.whole(params) });
  protected readonly trouble = computed(() => troubleOf(this.file));
  protected readonly waits = this.file.isLoading;
  protected readonly pdf = computed(() => ENDPOINTS.cardPdf.path.replace(':id', this.id()));
  protected readonly card = computed<HandOverCard | null>(() =>
    this.file.hasValue() ? handOverCard(this.file.value(), this.session.preferences().methods, Date.now()) : null,
  );
  protected readonly told = computed(() => {
    const card = this.card();
    if (card === null) return null;
    const { findings, moves, retunes, strings, due, at } = card;
    const home = Date.parse(at);
    const hours = retunes?.times.filter((time) => time > home) ?? [];
    return {
      head: asPicture(drawHead(card.instrument, strings)),
      moves: moves === null || hours.length === 0 ? null : asPicture(drawMoves(moves, DRAWING_PX.moves, houseZone())),
      hours: hours.map((time) => HOUR.format(time)),
      judged: hours.length === 0 ? null : HOUR.format(Math.max(retunes?.holdsFrom ?? 0, ...hours)),
      neck: asPicture(
        drawNeck(
          findings.map(({ finding }) => finding),
          strings.length,
          DRAWING_PX.neck,
        ),
      ),
      when: DATE.format(home),
      pull: card.pull === null ? '–' : say(this.measures.pull(newtons(card.pull))),
      back: due === null ? null : DATE.format(due.wear.due.likely),
      between: due === null ? '' : `${DATE.format(due.wear.due.low)} and ${DATE.format(due.wear.due.high)}`,
    };
  });

  protected readonly letterOf = letterOf;
  protected readonly sayOff = sayOff;
  protected readonly number = (passport: number): string => String(passport).padStart(4, '0');
  protected readonly sayPull = (pull: number | null): string => (pull === null ? '–' : say(this.measures.pull(newtons(pull))));
  protected readonly print = (): void => print();

  /** The worksheet with its whole log. */
  private async whole(id: string): Promise<WorksheetFile> {
    let file = await this.api.call('worksheet', { params: { id }, query: { after: 0 } });
    while (file.more) {
      const part = await this.api.call('jobEvents', { params: { id }, query: { after: file.events.at(-1)?.seq ?? 0 } });
      file = { ...file, events: [...file.events, ...part.events], more: part.more };
    }
    return file;
  }
}

const asPicture = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;
