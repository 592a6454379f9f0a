import { ChangeDetectionStrategy, Component } from '@angular/core';

/** What can hurt or scrap at this step: information, never a gate. */
@Component({
  selector: 'peg-caution',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p role="note" aria-label="Caution">
    <svg viewBox="0 0 24 22" width="24" height="22" aria-hidden="true"><path d="M12 0 24 22H0z" /></svg>
    <span><ng-content /></span>
  </p>`,
  styles: `
    p {
      display: flex;
      align-items: center;
      gap: var(--space-3);
      min-height: 40px;
      margin: 0;
      padding: 2px var(--space-5);
      box-sizing: border-box;
      border-top: 2px solid var(--oxide);
      background: var(--oxide-paper);
      color: var(--oxide);
      fill: var(--oxide);
    }
    p:has(span:empty) {
      display: none;
    }
    svg {
      flex: none;
    }
  `,
})
export class Caution {}
