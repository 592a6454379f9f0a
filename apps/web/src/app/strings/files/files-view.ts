import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { COLUMNS, FILE_FORMATS, FILE_KINDS, type FileFormat, type FileKind, type ImportOutcome } from '@gold-peg/contract/files';
import { Api } from '../../server/api';
import { Session } from '../../session/session';
import { sayProblem } from '../../server/server-problem';
import { Shelf } from '../../shelf/shelf';
import { FileButton } from '../../ui/file-button';
import { saveFile } from '../../ui/save-file';
import { StringTable } from '../../string-table/string-table';

/** Strings, sets and stock as files, out and in. */
@Component({
  selector: 'peg-files-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileButton, MatButtonModule, MatInputModule, MatSelectModule],
  templateUrl: './files-view.html',
  styles: `
    .spread {
      display: grid;
      grid-template-columns: 380px minmax(0, 1fr);
    }
    section {
      padding: var(--space-3) var(--space-5);
    }
    section:first-child {
      border-right: 1px solid var(--line);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 90px auto auto 1fr;
      align-items: center;
      gap: var(--space-3);
      border-bottom: 1px solid var(--line);
    }
    .pick {
      display: grid;
      grid-template-columns: auto 200px auto 1fr;
      align-items: center;
      gap: var(--space-3);
    }
    .fault {
      color: var(--oxide);
      font-weight: 600;
    }
    .done {
      color: var(--felt);
      font-weight: 600;
    }
    table {
      border-collapse: collapse;
    }
    th,
    td {
      padding: 6px 12px 6px 0;
      border-bottom: 1px solid var(--line);
      text-align: left;
      vertical-align: top;
    }
    thead th {
      color: var(--ink-soft);
      font-weight: 400;
    }
  `,
})
export class FilesView {
  private readonly api = inject(Api);
  protected readonly mayWork = inject(Session).mayWork;
  private readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);

  protected readonly kinds = FILE_KINDS;
  protected readonly formats = FILE_FORMATS;
  protected readonly kind = signal<FileKind>('strings');
  protected readonly columns = computed(() => COLUMNS[this.kind()].map(({ name }) => name).join(', '));
  protected readonly name = signal('');
  protected readonly outcome = signal<ImportOutcome | null>(null);
  protected readonly outFault = signal<string | null>(null);
  protected readonly inFault = signal<string | null>(null);
  private readonly text = signal('');

  protected async give(kind: FileKind, format: FileFormat): Promise<void> {
    this.outFault.set(null);
    try {
      const { name, text } = await this.api.call('exportFile', { params: { kind, format } });
      saveFile(name, text, format === 'csv' ? 'text/csv' : 'application/json');
    } catch (error) {
      this.outFault.set(sayProblem(error));
    }
  }

  protected async look(file: File): Promise<void> {
    this.name.set(file.name);
    this.text.set(await file.text());
    await this.send(false);
  }

  protected write(): Promise<void> {
    return this.send(true);
  }

  private async send(write: boolean): Promise<void> {
    this.inFault.set(null);
    this.outcome.set(null);
    const format: FileFormat = this.name().toLowerCase().endsWith('.json') ? 'json' : 'csv';
    try {
      this.outcome.set(await this.api.call('importFile', { body: { kind: this.kind(), format, text: this.text(), write } }));
      if (write) await Promise.all([this.table.load(), this.shelf.load()]);
    } catch (error) {
      this.inFault.set(sayProblem(error));
    }
  }
}
