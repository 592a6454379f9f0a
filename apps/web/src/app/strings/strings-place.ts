import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { Shelf } from '../shelf/shelf';
import { StringTable } from '../string-table/string-table';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { FilesView } from './files/files-view';
import { IdentifyView } from './identify/identify-view';
import { SetsView } from './sets/sets-view';
import { ShelfView } from './shelf/shelf-view';
import { TableView } from './table/table-view';
import { TuningsView } from './tunings/tunings-view';
import { Workbench } from './workbench/workbench';

export const STRING_VIEWS = [
  { path: 'workbench', name: 'Workbench' },
  { path: 'table', name: 'Table' },
  { path: 'sets', name: 'Sets' },
  { path: 'tunings', name: 'Tunings' },
  { path: 'shelf', name: 'Shelf' },
  { path: 'identify', name: 'What is on it?' },
  { path: 'files', name: 'In and out' },
] as const;

/** Everything that is known of strings: compare and solve on the workbench, the table, sets, tunings, the shelf. */
@Component({
  selector: 'peg-strings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    RouterLink,
    RouterLinkActive,
    Fact,
    PlaceHeader,
    Trouble,
    FilesView,
    IdentifyView,
    SetsView,
    ShelfView,
    TableView,
    TuningsView,
    Workbench,
  ],
  template: `
    <peg-place-header heading="Strings" sub="What can go on, what it will pull and feel like, and what is on the shelf.">
      <peg-fact label="in the table">{{ table.strings().length }} strings, {{ table.sets().length }} sets</peg-fact>
      <peg-fact label="running low">{{ low() }}</peg-fact>
    </peg-place-header>
    <nav aria-label="Views of Strings">
      @for (each of views; track each.path) {
        <a [routerLink]="['/strings', each.path]" routerLinkActive="here" ariaCurrentWhenActive="page">{{ each.name }}</a>
      }
    </nav>
    @if (table.trouble(); as says) {
      <peg-trouble [says]="says" (again)="table.load()" />
    }
    @if (table.file() === null) {
      @if (table.trouble() === null) {
        <p class="loading" role="status">Opening the strings table …</p>
      }
    } @else {
      @switch (view()) {
        @case ('table') {
          <peg-table-view />
        }
        @case ('sets') {
          <peg-sets-view />
        }
        @case ('tunings') {
          <peg-tunings-view />
        }
        @case ('shelf') {
          <peg-shelf-view />
        }
        @case ('identify') {
          <peg-identify-view />
        }
        @case ('files') {
          <peg-files-view />
        }
        @default {
          <peg-workbench />
        }
      }
    }
  `,
  styleUrl: './strings-place.scss',
})
export class StringsPlace {
  readonly view = input<string>();

  protected readonly views = STRING_VIEWS;
  protected readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);
  protected readonly low = computed(() => {
    const items = this.shelf.list()?.items;
    return items === undefined ? '…' : String(items.filter(({ onHand, reserved, reorderAt }) => onHand - reserved < reorderAt).length);
  });

  constructor() {
    void this.table.load();
    void this.shelf.load();
  }
}
