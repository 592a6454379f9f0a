import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Shelf } from '../shelf/shelf';
import { StringTable } from '../string-table/string-table';
import { MarkSwatch } from '../ui/mark-swatch';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { sayOrders, shownLines } from './supplied';

/** Whom the house orders from and how that stands, and the lines of strings it keeps, with their marks. */
@Component({
  selector: 'peg-house-supplies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MarkSwatch, RouterLink, Trouble, UnderWay],
  template: `
    <h2>Supplier</h2>
    @if (shelf.trouble(); as says) {
      <peg-trouble [says]="says" (again)="shelf.load()" />
    } @else if (order(); as order) {
      <p>
        <b>{{ order.supplier }}</b>
        <small>{{ order.coming }}</small>
        <small>{{ order.low }}</small>
      </p>
    } @else {
      <peg-under-way says="Looking at the shelf …" />
    }
    <a routerLink="/strings/shelf">shelf and orders</a>
    <h2 class="next">Lines and marks</h2>
    @if (table.trouble(); as says) {
      <peg-trouble [says]="says" (again)="table.load()" />
    } @else if (table.file() === null) {
      <peg-under-way says="Looking into the table of strings …" />
    } @else {
      <ul class="list" tabindex="0" aria-label="Lines and marks">
        @for (line of lines(); track line.id) {
          <li>
            <span class="grow">
              <b>{{ line.name }}</b>
              <small>{{ line.gauges }}{{ line.marks.length === 0 ? ', no marks on the ends' : '' }}</small>
              <span class="marks">
                @for (mark of line.marks; track mark) {
                  <peg-mark [mark]="mark" />
                }
              </span>
            </span>
          </li>
        }
      </ul>
    }
    <a routerLink="/strings/table">the table of strings</a>
  `,
  styleUrl: './house-panel.scss',
  styles: `
    .next {
      margin-top: var(--space-4);
    }

    .grow {
      padding: var(--space-1) 0;
    }

    .marks {
      display: flex;
      flex-wrap: wrap;
      gap: 2px var(--space-3);
      font-size: 14px;
    }
  `,
})
export class HouseSupplies {
  protected readonly shelf = inject(Shelf);
  protected readonly table = inject(StringTable);

  protected readonly order = computed(() => {
    const list = this.shelf.list();
    return list === null ? null : sayOrders(list);
  });
  protected readonly lines = computed(() => {
    const file = this.table.file();
    return file === null ? [] : shownLines(file);
  });

  constructor() {
    void this.shelf.load();
    void this.table.load();
  }
}
