import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { COLUMNS, formatsOf, type FileFormat, type FileKind, type ImportOutcome } from '@gold-peg/contract/files';
import { Api } from '../server/api';
import { Session } from '../session/session';
import { sayProblem } from '../server/server-problem';
import { FileButton } from '../ui/file-button';
import { saveFile } from '../ui/save-file';

const NAMES: Readonly<Record<FileFormat, string>> = { csv: 'CSV', json: 'JSON', vcf: 'vCard' };
const TYPES: Readonly<Record<FileFormat, string>> = { csv: 'text/csv', json: 'application/json', vcf: 'text/vcard' };
const TABLES = '.csv,.json,text/csv,application/json';

/** What a house has as files, out and in. */
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

  /** What goes out and comes in here. */
  readonly kinds = input.required<readonly FileKind[]>();
  /** Something was written. */
  readonly written = output();
  protected readonly formatsOf = formatsOf;
  protected readonly NAMES = NAMES;
  protected readonly kind = linkedSignal<FileKind>(() => this.kinds()[0] ?? 'strings');
  protected readonly accept = computed(() => (formatsOf(this.kind()).includes('vcf') ? `${TABLES},.vcf,text/vcard` : TABLES));
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
      saveFile(name, text, TYPES[format]);
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
    const ending = this.name().toLowerCase().split('.').at(-1);
    const format = formatsOf(this.kind()).find((each) => each === ending) ?? 'csv';
    try {
      this.outcome.set(await this.api.call('importFile', { body: { kind: this.kind(), format, text: this.text(), write } }));
      if (write) this.written.emit();
    } catch (error) {
      this.inFault.set(sayProblem(error));
    }
  }
}
