import { afterNextRender, ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** One thing that two people changed: as it stands now, and as it was typed here. */
export interface Clash {
  what: string;
  now: string;
  typed: string;
}

/** Both versions of what somebody else changed meanwhile. Enter keeps what was typed on top. */
@Component({
  selector: 'peg-both-versions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<section role="alert" aria-label="Somebody else changed this meanwhile">
    <p><b>Somebody else changed this meanwhile.</b> What you typed is still here.</p>
    <table>
      <thead>
        <tr>
          <td></td>
          <th scope="col">stands now</th>
          <th scope="col">you typed</th>
        </tr>
      </thead>
      <tbody>
        @for (clash of clashes(); track clash.what) {
          <tr>
            <th scope="row">{{ clash.what }}</th>
            <td>{{ clash.now || '–' }}</td>
            <td>{{ clash.typed || '–' }}</td>
          </tr>
        }
      </tbody>
    </table>
    <button matButton="filled" type="button" class="act" (click)="kept.emit()"><span>keep mine on top</span> <kbd>Enter</kbd></button>
    <button matButton type="button" class="quiet" (click)="taken.emit()">take it as it stands now</button>
  </section>`,
  styles: `
    section {
      margin: var(--space-2) 0;
      padding: var(--space-2) var(--space-3);
      border-left: 5px solid var(--watch);
      background: var(--paper-bright);
    }
    p {
      margin: 0 0 var(--space-1);
    }
    .act {
      width: 100%;
      min-height: 44px;
      padding: 6px 10px;
      font-size: 16px;
    }
    table {
      width: 100%;
      margin-bottom: var(--space-2);
      border-collapse: collapse;
      table-layout: fixed;
      overflow-wrap: anywhere;
    }
    th,
    td {
      padding: 3px 8px 3px 0;
      border-bottom: 1px solid var(--line);
      font-size: 15px;
      text-align: left;
      vertical-align: top;
    }
    th {
      color: var(--ink-soft);
      font-weight: 400;
    }
  `,
})
export class BothVersions {
  readonly clashes = input.required<readonly Clash[]>();
  readonly kept = output();
  readonly taken = output();

  constructor() {
    const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => element.querySelector<HTMLElement>('.act')?.focus());
  }
}
