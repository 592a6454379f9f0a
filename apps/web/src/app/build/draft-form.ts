import { DestroyRef, effect, inject, Injectable, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import type { Geometry } from '@gold-peg/contract/register';
import type { Measure } from '@gold-peg/craft/instrument';
import { dequal } from 'dequal';
import { SAYS } from '../form';
import { GeometryDraft } from './draft';
import type { Typed, Way } from './draft-ways';

/** Where a field stands in the geometry ('strings.2.post.alongMm'), how it is shown, what is measured with it, and what typing there does if it is more than this value. */
export interface DraftField {
  readonly at: string;
  readonly way: Way;
  readonly measure?: Measure | null;
  readonly takes?: ((value: unknown) => void) | null;
}

interface Held {
  readonly control: FormControl<Typed>;
  readonly field: DraftField;
}

/** The draft as a form: a control for each field that is shown, which follows the draft and says of itself what of it cannot be. */
@Injectable()
export class DraftForm {
  private readonly draft = inject(GeometryDraft);
  private readonly destroyed = inject(DestroyRef);
  private readonly held = new Map<string, Held>();

  constructor() {
    effect(() => {
      const [geometry, faults] = [this.draft.geometry(), this.draft.faults()];
      untracked(() => {
        for (const held of this.held.values()) this.follow(held, geometry, faults);
      });
    });
  }

  /** The control of a field, the same one each time. */
  control(field: DraftField): FormControl<Typed> {
    return untracked(() => (this.held.get(field.at) ?? this.hold(field)).control);
  }

  private hold(field: DraftField): Held {
    const control = new FormControl<Typed>(null);
    const held = { control, field };
    this.held.set(field.at, held);
    this.follow(held, this.draft.geometry(), this.draft.faults());
    control.valueChanges.pipe(takeUntilDestroyed(this.destroyed)).subscribe((typed) => this.take(field, typed));
    return held;
  }

  private follow({ control, field: { at, way } }: Held, geometry: Geometry | null, faults: readonly { at: string; says: string }[]): void {
    const value = valueAt(geometry, at);
    if (value === undefined) {
      this.held.delete(at); // a string or a tree that is no more
      return;
    }
    const shown = way.show(value);
    // while somebody types, what stands there is as it was typed
    if (!dequal(control.value, shown) && !dequal(way.read(control.value), value)) control.setValue(shown, { emitEvent: false });
    const fault = faults.find((each) => each.at === at);
    control.setErrors(fault === undefined ? null : { [SAYS]: fault.says });
  }

  private take({ at, way, measure = null, takes }: DraftField, typed: Typed): void {
    const value = way.read(typed);
    if (takes) takes(value);
    else this.draft.edit((geometry) => withAt(geometry, at, value), measure);
  }
}

type Holder = Record<string, unknown>;

function valueAt(geometry: Geometry | null, at: string): unknown {
  return at.split('.').reduce<unknown>((value, key) => (value as Holder | null | undefined)?.[key], geometry);
}

function withAt(geometry: Geometry, at: string, value: unknown): Geometry {
  const changed = structuredClone(geometry);
  const path = at.split('.');
  const last = path.pop() ?? '';
  const holder = path.reduce<Holder>((each, key) => each[key] as Holder, changed as unknown as Holder);
  holder[last] = value;
  return changed;
}
