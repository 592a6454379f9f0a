import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { Session } from '../session/session';

/** Who is signed in, and how they like their numbers and light. */
@Component({
  selector: 'peg-you-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatMenuModule],
  template: `
    <button matButton type="button" class="you" [matMenuTriggerFor]="menu" [attr.aria-label]="'You: ' + name()">
      {{ initials() }}
    </button>
    <mat-menu #menu="matMenu" class="you-menu" (closed)="session.staysIn.set(null)">
      <p class="who">
        <b>{{ name() }}</b><br />{{ session.person()?.role }}
      </p>
      <button mat-menu-item type="button" (click)="session.prefer({ lengths: mm() ? 'in' : 'mm' })">
        Lengths: {{ mm() ? 'millimetres' : 'inches' }}
      </button>
      <button mat-menu-item type="button" (click)="nextPull()">Pull: {{ pullName() }}</button>
      <button mat-menu-item type="button" (click)="session.prefer({ turned: !turned() })">
        Headstock: to the {{ turned() ? 'right' : 'left' }}
      </button>
      <button mat-menu-item type="button" (click)="session.prefer({ theme: paper() ? 'evening' : 'paper' })">
        Light: {{ paper() ? 'paper' : 'evening bench' }}
      </button>
      <button mat-menu-item type="button" (click)="session.prefer({ alarmSound: !rings() })">
        Strings to tune again: {{ rings() ? 'shown and heard' : 'shown' }}
      </button>
      <button mat-menu-item type="button" (click)="$event.stopPropagation(); session.signOut()">Sign out</button>
      <p class="who stays" aria-live="assertive">{{ session.staysIn() }}</p>
    </mat-menu>
  `,
  styles: `
    .you {
      width: 44px;
      height: 44px;
      margin: 0 14px 14px;
      border: 1px solid var(--fret);
      border-radius: 50%;
      background: none;
      font: 600 15px/1 var(--face);

      --mat-button-text-label-text-color: #fff;
      cursor: pointer;
    }
    .who {
      margin: 0;
      padding: var(--space-2) var(--space-3);
      color: var(--ink);
    }
    .stays {
      max-width: 260px;
      color: var(--oxide);
      line-height: 1.3;
    }
    /* a live region has to be there before it speaks */
    .stays:empty {
      padding: 0;
    }
  `,
})
export class YouMenu {
  protected readonly session = inject(Session);
  protected readonly name = computed(() => this.session.person()?.name ?? '');
  protected readonly initials = computed(() =>
    this.name()
      .split(' ')
      .map((word) => word.charAt(0))
      .join(''),
  );
  protected readonly mm = computed(() => this.session.preferences().lengths === 'mm');
  protected readonly paper = computed(() => this.session.preferences().theme === 'paper');
  protected readonly pullName = computed(
    () => ({ N: 'newtons', kgf: 'kilograms-force', lbf: 'pounds-force' })[this.session.preferences().pull],
  );

  protected readonly rings = computed(() => this.session.preferences().alarmSound);
  protected readonly turned = computed(() => this.session.preferences().turned);

  protected nextPull(): void {
    const next = { N: 'kgf', kgf: 'lbf', lbf: 'N' } as const;
    void this.session.prefer({ pull: next[this.session.preferences().pull] });
  }
}
