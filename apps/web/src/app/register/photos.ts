import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { ATTACHMENT_TYPES, MOST_BYTES } from '@gold-peg/contract/attachments';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { sayProblem, troubleOf } from '../server/server-problem';
import { Session } from '../session/session';
import { FileButton } from '../ui/file-button';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { houseTime } from '../server/house-zone';

/** Photos and scans of an instrument: looked at, added, taken away. */
@Component({
  selector: 'peg-photos',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileButton, MatButtonModule, MatInputModule, Trouble, UnderWay],
  templateUrl: './photos.html',
  styleUrl: './photos.scss',
})
export class Photos {
  readonly instrumentId = input.required<string>();

  private readonly api = inject(Api);
  protected readonly mayWork = inject(Session).mayWork;
  protected readonly accept = ATTACHMENT_TYPES.join(',');
  protected readonly caption = signal('');
  protected readonly fault = signal<string | null>(null);
  private readonly newPhoto = new NewThing();
  protected readonly busy = this.newPhoto.busy;

  protected readonly kept = resource({
    params: () => ({ id: this.instrumentId() }),
    loader: ({ params }) => this.api.call('listAttachments', { params }),
  });
  protected readonly trouble = computed(() => troubleOf(this.kept));
  protected readonly all = computed(() =>
    (this.kept.hasValue() ? this.kept.value() : []).map((each) => ({
      ...each,
      src: ENDPOINTS.attachment.path.replace(':id', each.id),
      isPhoto: each.type !== 'application/pdf',
      size: sayBytes(each.bytes),
      when: DATE.format(new Date(each.addedAt)),
    })),
  );

  protected async add(file: File): Promise<void> {
    this.fault.set(null);
    if (file.size > MOST_BYTES)
      return this.fault.set(`${file.name} must have at most ${sayBytes(MOST_BYTES)}: it has ${sayBytes(file.size)}.`);
    const query = { name: file.name.slice(0, MOST_NAME), caption: this.caption().trim() };
    try {
      // a file of a type that this browser does not know is looked at by its bytes all the same
      const sent = file.type === '' ? file.slice(0, file.size, 'application/octet-stream') : file;
      await this.newPhoto.make((id) =>
        this.api.call('addAttachment', { params: { id: this.instrumentId() }, query: { id, ...query }, file: sent }),
      );
      this.caption.set('');
      this.kept.reload();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }

  protected async remove(id: string): Promise<void> {
    this.fault.set(null);
    try {
      await this.api.call('removeAttachment', { params: { id } });
      this.kept.reload();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}

/** As long as the contract lets a name of a file be. */
const MOST_NAME = 120;
const DATE = houseTime({ day: 'numeric', month: 'short', year: 'numeric' });
const sayBytes = (bytes: number) =>
  bytes < 1024 ** 2 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / 1024 ** 2).toFixed(1)} MB`;
