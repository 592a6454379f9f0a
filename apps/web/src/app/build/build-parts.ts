import { ChangeDetectionStrategy, Component, inject, input, linkedSignal } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import { ErrorStateMatcher } from '@angular/material/core';
import { OneOf } from '../ui/one-of';
import { BridgePart } from './bridge-part';
import { GeometryDraft } from './draft';
import { DraftForm } from './draft-form';
import { HeadPart } from './head-part';
import { PostsPart } from './posts-part';
import { StringsPart } from './strings-part';

const PARTS = [
  { value: 'posts', label: 'posts' },
  { value: 'head', label: 'head' },
  { value: 'strings', label: 'strings and nut' },
  { value: 'bridge', label: 'bridge and woods' },
] as const;
export type Part = (typeof PARTS)[number]['value'];

/** What an instrument is made of, part by part, and what of it cannot be. */
@Component({
  selector: 'peg-build-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BridgePart, HeadPart, OneOf, PostsPart, StringsPart],
  // what cannot be together is said at once, also at a field that nobody touched
  providers: [
    DraftForm,
    { provide: ErrorStateMatcher, useValue: { isErrorState: (control: AbstractControl | null) => control?.invalid === true } },
  ],
  template: `
    <peg-one-of about="Part of the instrument" [choices]="PARTS" [value]="part()" (picked)="part.set($event)" />
    @switch (part()) {
      @case ('posts') {
        <peg-posts-part />
      }
      @case ('head') {
        <peg-head-part />
      }
      @case ('strings') {
        <peg-strings-part [fixed]="fixed()" />
      }
      @case ('bridge') {
        <peg-bridge-part />
      }
    }
    @if (draft.faults(); as faults) {
      @if (faults.length > 0) {
        <div role="alert">
          @for (fault of faults; track $index) {
            <p class="fault">{{ fault.words }}</p>
          }
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: var(--space-3);
    }
    .fault {
      margin: 4px 0;
      color: var(--oxide);
    }
  `,
})
export class BuildParts {
  readonly fixed = input(false);
  readonly from = input<Part>('posts');

  protected readonly PARTS = PARTS;
  protected readonly draft = inject(GeometryDraft);
  protected readonly part = linkedSignal<Part>(() => this.from());
}
