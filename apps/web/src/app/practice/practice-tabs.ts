import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink, RouterLinkActive } from '@angular/router';

const TABS = [
  { path: '/practice', name: 'Exercise' },
  { path: '/practice/bench', name: 'Simulated bench' },
  { path: '/practice/errors', name: 'Your errors' },
  { path: '/practice/sheets', name: 'Sheets' },
] as const;

/** Its path, whatever is asked for behind it. */
const EXACTLY = { paths: 'exact', queryParams: 'ignored', matrixParams: 'ignored', fragment: 'ignored' } as const;

/** What is in the place Practice: one exercise after the other, a whole restring, and where one stands. */
@Component({
  selector: 'peg-practice-tabs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatTabsModule, RouterLink, RouterLinkActive],
  template: `
    <nav mat-tab-nav-bar aria-label="Views of Practice" mat-stretch-tabs="false" [tabPanel]="panel">
      @for (tab of TABS; track tab.path) {
        <a
          mat-tab-link
          [routerLink]="tab.path"
          routerLinkActive
          [routerLinkActiveOptions]="EXACTLY"
          #here="routerLinkActive"
          [active]="here.isActive"
          >{{ tab.name }}</a
        >
      }
    </nav>
    <mat-tab-nav-panel #panel><ng-content /></mat-tab-nav-panel>
  `,
  styles: `
    :host,
    mat-tab-nav-panel {
      display: flex;
      flex: 1;
      flex-direction: column;
      min-height: 0;
    }
  `,
})
export class PracticeTabs {
  protected readonly TABS = TABS;
  protected readonly EXACTLY = EXACTLY;
}
