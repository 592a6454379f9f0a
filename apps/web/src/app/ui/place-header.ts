import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Name of a place, what it holds, and at the right the facts that matter now. */
@Component({
  selector: 'peg-place-header',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header>
      <div>
        <h1>{{ heading() }}</h1>
        <p class="soft" [title]="sub()">{{ sub() }}</p>
      </div>
      <div class="facts"><ng-content /></div>
    </header>
  `,
  styles: `
    header {
      display: flex;
      justify-content: space-between;
      align-items: flex-start;
      gap: var(--space-4);
      min-height: 62px;
      padding: 6px var(--space-5) 4px;
      box-sizing: border-box;
      border-bottom: 1px solid var(--line);
    }
    h1 {
      font-size: 25px;
    }
    header > div:first-child {
      min-width: 0;
    }
    h1,
    p {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    p {
      margin: 0;
      font-size: 14px;
    }
    .facts {
      display: flex;
      flex: none;
      gap: 0 var(--space-3);
      margin: 4px 0 0;
    }
    @media (max-width: 1000px) {
      header {
        flex-wrap: wrap;
        gap: 0 var(--space-4);
      }
      header > div:first-child {
        flex: 1 1 100%;
      }
      h1,
      p {
        white-space: normal;
      }
    }
  `,
})
export class PlaceHeader {
  readonly heading = input.required<string>();
  readonly sub = input('');
}
