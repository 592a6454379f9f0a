import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ScrollingModule } from '@angular/cdk/scrolling';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { MatTooltipModule } from '@angular/material/tooltip';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { FAMILIES, type Family } from '@gold-peg/craft/string-kinds';
import { StringTable } from '../../string-table/string-table';
import { MarkSwatch } from '../../ui/mark-swatch';
import { sorted, UNSORTED, type SortKeys } from '../../ui/sorted';
import { StringCard } from './string-card';
import { found, shownString, type ShownString } from './string-rows';

/** Every row is as high as its button, and a line. */
const ROW_PX = 45;

/** Every string there is, with what is computed of it; print it, or note what an offcut weighs. */
@Component({
  selector: 'peg-table-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MarkSwatch,
    MatButtonModule,
    MatInputModule,
    MatSelectModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    ScrollingModule,
    StringCard,
  ],
  templateUrl: './table-view.html',
  styleUrl: './table-view.scss',
})
export class TableView {
  private readonly table = inject(StringTable);
  protected readonly families = FAMILIES;
  protected readonly pdfPath = ENDPOINTS.stringTablePdf.path;
  protected readonly search = signal('');
  protected readonly family = signal<Family | 'all'>('all');
  protected readonly pickedId = signal<string | null>(null);

  private readonly all = computed(() => (this.table.file()?.strings ?? []).map((row) => shownString(row, this.lineName(row.lineId))));
  protected readonly columns = ['gauge', 'mm', 'made', 'mass', 'breaks', 'end', 'mark', 'line'];
  protected readonly ROW_PX = ROW_PX;
  protected readonly sort = signal<Sort>(UNSORTED);
  private readonly keys: SortKeys<ShownString> = {
    gauge: ({ row }) => row.gaugeMm,
    mm: ({ row }) => row.gaugeMm,
    made: ({ made }) => made,
    mass: ({ mass }) => Number(mass),
    breaks: ({ breaks }) => Number(breaks),
    end: ({ row }) => row.end,
    line: ({ row }) => this.lineName(row.lineId),
  };
  protected readonly rows = computed(() => sorted(found(this.all(), this.family(), this.search()), this.sort(), this.keys));
  protected readonly byId = (_: number, { row }: ShownString) => row.id;
  protected readonly picked = computed(() => this.all().find(({ row }) => row.id === this.pickedId())?.row ?? null);

  protected lineName(lineId: string): string {
    return this.table.lineNames().get(lineId) ?? lineId;
  }
}
