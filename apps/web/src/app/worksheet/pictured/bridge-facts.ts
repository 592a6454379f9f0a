import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatRadioModule } from '@angular/material/radio';
import { passportSchema, type Geometry, type Passport } from '@gold-peg/contract/register';
import { TIE_HOLES, tieHoleCount, type TieHoles } from '@gold-peg/craft/instrument';
import { dequal } from 'dequal';
import { Api } from '../../server/api';
import { Keeper } from '../../server/keeper';
import { WorksheetDesk } from '../desk';

/** Facts of a bridge that change the work and are seen only at the bench: holes of a tie block, the cover of a tailpiece, a body that strings go through. Kept with the instrument. */
@Component({
  selector: 'peg-bridge-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule, MatRadioModule],
  template: `@if (holes(); as holes) {
      <fieldset>
        <legend>Holes of the tie block</legend>
        <mat-radio-group name="tie-holes" [value]="bridge()?.tieHoles" [disabled]="busy()" (change)="keep({ tieHoles: $event.value })">
          @for (choice of holes; track choice.value) {
            <mat-radio-button [value]="choice.value">{{ choice.count }}</mat-radio-button>
          }
        </mat-radio-group>
      </fieldset>
    }
    @if (bridge()?.anchor === 'hooked-tailpiece') {
      <mat-checkbox [checked]="bridge()?.cover ?? false" [disabled]="busy()" (change)="keep({ cover: !bridge()?.cover })"
        >a cover lies over the hooks</mat-checkbox
      >
    }
    @if (bridge()?.anchor === 'headless') {
      <mat-checkbox [checked]="bridge()?.vibrato ?? false" [disabled]="busy()" (change)="keep({ vibrato: !bridge()?.vibrato })"
        >the bridge is a vibrato</mat-checkbox
      >
    }
    @if (bridge()?.anchor === 'top-load' || bridge()?.anchor === 'through-body') {
      <mat-checkbox
        [checked]="bridge()?.anchor === 'through-body'"
        [disabled]="busy()"
        (change)="keep(bridge()?.anchor === 'top-load' ? THROUGH : TOP)"
        >strings go through the body</mat-checkbox
      >
    }
    @if (trouble(); as says) {
      <p role="alert">{{ says }}</p>
    }`,
  styles: `
    fieldset {
      margin: 0;
      padding: 0;
      border: 0;
    }
    p {
      margin: 0;
      color: var(--oxide);
    }
  `,
})
export class BridgeFacts {
  private readonly desk = inject(WorksheetDesk);
  private readonly api = inject(Api);
  /** Typical string behind the saddle of each, mm. */
  protected readonly THROUGH = { anchor: 'through-body', behindSaddleMm: 25 } as const;
  protected readonly TOP = { anchor: 'top-load', behindSaddleMm: 12 } as const;
  protected readonly keeper = new Keeper<Passport>((current) => passportSchema.parse(current));
  protected readonly busy = this.keeper.busy;
  private readonly says = signal<string | null>(null);
  protected readonly trouble = computed(() => this.says() ?? this.keeper.fault());

  private readonly geometry = computed<Geometry | null>(() => this.desk.file()?.passport.geometry ?? null);
  protected readonly bridge = computed(() => this.geometry()?.bridge ?? null);
  protected readonly holes = computed(() => {
    const geometry = this.geometry();
    if (geometry?.bridge.anchor !== 'tie-block') return null;
    return TIE_HOLES.map((value: TieHoles) => ({ value, count: tieHoleCount(value, geometry.strings.length) }));
  });

  /** A fact is put on whatever else was changed of the instrument meanwhile; where the bridge itself was, that is shown first. */
  protected async keep(change: Partial<Geometry['bridge']>): Promise<void> {
    const passport = this.desk.file()?.passport;
    if (passport === undefined) return;
    const kept = await this.keeper.keep({
      read: passport,
      untouched: (now, read) => dequal(now.geometry.bridge, read.geometry.bridge),
      send: ({ id, version, geometry }) =>
        this.api.call('changeGeometry', {
          params: { id },
          body: { version, geometry: { ...geometry, bridge: { ...geometry.bridge, ...change } } },
        }),
    });
    if (kept === null && this.keeper.now() === null) return;
    this.says.set(kept === null ? 'Somebody changed this bridge meanwhile: it is shown as it is now. Tick again what is different.' : null);
    this.keeper.forget();
    await this.desk.readAgain();
  }
}
