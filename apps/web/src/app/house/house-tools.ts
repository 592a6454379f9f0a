import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { RouterLink } from '@angular/router';
import { TOOLS } from '@gold-peg/craft/tools';
import { Measures, say } from '../preferences/measures';
import { fromMillimetres } from '@gold-peg/craft/units';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';

/** Keys and blocks that the instruments of the house want, by size: noted at Ready, and for how many. */
@Component({
  selector: 'peg-house-tools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, Trouble, UnderWay],
  template: `
    <h2>Tools that have a size</h2>
    @if (trouble(); as says) {
      <peg-trouble [says]="says" (again)="read.reload()" />
    } @else if (read.isLoading()) {
      <peg-under-way says="Looking what was noted …" />
    } @else {
      <ul class="list">
        @for (tool of tools(); track tool.key) {
          <li>
            <b>{{ tool.size }}</b>
            <span class="grow"
              >{{ tool.name }}
              <small
                >{{ tool.instruments }}:
                @for (each of tool.at; track each.id) {
                  <a [routerLink]="['/register', each.id]">{{ each.passport }}</a>{{ ' ' }}
                }
                {{ tool.more }}</small
              ></span
            >
          </li>
        } @empty {
          <li class="soft">None was noted yet: the worksheet asks at Ready where a key or a block has to fit.</li>
        }
      </ul>
    }
  `,
  styleUrl: './house-panel.scss',
})
export class HouseTools {
  private readonly api = inject(Api);
  private readonly measures = inject(Measures);
  protected readonly read = resource({ loader: () => this.api.call('houseTools', {}) });
  protected readonly trouble = computed(() => troubleOf(this.read));
  protected readonly tools = computed(() =>
    (this.read.hasValue() ? this.read.value() : []).map(({ tool, sizeMm, instruments, at }) => ({
      key: `${tool} ${sizeMm}`,
      name: TOOLS[tool],
      size: say(this.measures.length(fromMillimetres(sizeMm), 1)),
      instruments: instruments === 1 ? 'one instrument' : `${instruments} instruments`,
      at: at.map(({ id, passport }) => ({ id, passport: String(passport).padStart(4, '0') })),
      more: instruments > at.length ? '…' : '',
    })),
  );
}
