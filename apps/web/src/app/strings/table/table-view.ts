import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { FAMILIES, type Family } from '@gold-peg/craft/strings';
import { StringTable } from '../../string-table/string-table';
import { MarkSwatch } from '../../ui/mark-swatch';
import { StringCard } from './string-card';
import { found, shownString } from './string-rows';

/** Every string there is, with what is computed of it; print it, or note what an offcut weighs. */
@Component({
  selector: 'peg-table-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MarkSwatch, MatButtonModule, MatInputModule, MatSelectModule, StringCard],
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
  protected readonly rows = computed(() => found(this.all(), this.family(), this.search()));
  protected readonly picked = computed(() => this.all().find(({ row }) => row.id === this.pickedId())?.row ?? null);

  protected lineName(lineId: string): string {
    return this.table.lineNames().get(lineId) ?? lineId;
  }

  protected print(): void {
    window.print();
  }
}
