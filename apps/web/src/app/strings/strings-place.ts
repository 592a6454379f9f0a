import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { Shelf } from '../shelf/shelf';
import { StringTable } from '../string-table/string-table';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { FilesView } from '../files';
import { IdentifyView } from './identify';
import { SetsView } from './sets';
import { ShelfView } from './shelf';
import { TableView } from './table';
import { TuningsView } from './tunings';
import { Workbench } from './workbench';

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
    Fact,
    FilesView,
    IdentifyView,
    MatTabsModule,
    PlaceHeader,
    RouterLink,
    RouterLinkActive,
    SetsView,
    ShelfView,
    TableView,
    Trouble,
    TuningsView,
    UnderWay,
    Workbench,
  ],
  template: `
    <peg-place-header heading="Strings" sub="What can go on, what it will pull and feel like, and what is on the shelf.">
      <peg-fact label="in the table">{{ table.strings().length }} strings, {{ table.sets().length }} sets</peg-fact>
      <peg-fact label="running low">{{ low() }}</peg-fact>
    </peg-place-header>
    <nav mat-tab-nav-bar aria-label="Views of Strings" mat-stretch-tabs="false" [tabPanel]="panel">
      @for (each of views; track each.path) {
        <a mat-tab-link [routerLink]="['/strings', each.path]" routerLinkActive #here="routerLinkActive" [active]="here.isActive">{{
          each.name
        }}</a>
      }
    </nav>
    <mat-tab-nav-panel #panel>
      @if (table.trouble(); as says) {
        <peg-trouble [says]="says" (again)="table.load()" />
      }
      @if (table.file() === null) {
        @if (table.trouble() === null) {
          <peg-under-way says="Opening the strings table …" />
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
            <peg-files-view [kinds]="FILED" (written)="again()" />
          }
          @default {
            <peg-workbench />
          }
        }
      }
    </mat-tab-nav-panel>
  `,
  styleUrl: './strings-place.scss',
})
export class StringsPlace {
  readonly view = input<string>();

  protected readonly views = STRING_VIEWS;
  protected readonly FILED = ['strings', 'sets', 'stock'] as const;
  protected readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);
  protected readonly low = computed(() => {
    const items = this.shelf.list()?.items;
    return items === undefined ? '…' : String(items.filter(({ onHand, reserved, reorderAt }) => onHand - reserved < reorderAt).length);
  });

  constructor() {
    this.again();
  }

  /** Reads what stands in the tables now. */
  protected again(): void {
    void this.table.load();
    void this.shelf.load();
  }
}
