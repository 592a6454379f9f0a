import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Headstock, type MovedPost } from '../headstock';
import { Session } from '../session/session';
import { MeasuredWidth } from '../ui/measured-width';
import { GeometryDraft, PICTURE_PX } from './draft';

/** A drag goes in steps that a steel rule can show. */
const STEP_MM = 0.5;
const toStep = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;

/** The instrument as it stands, drawn to scale. */
@Component({
  selector: 'peg-build-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Headstock, MeasuredWidth],
  template: `
    <div (pegWidth)="width.set($event)">
      @if (draft.picture(); as p) {
        <peg-headstock
          class="catalogue"
          [instrument]="p.instrument"
          [lanes]="p.lanes"
          [plans]="p.plans"
          [planInHand]="null"
          [inHand]="-1"
          [done]="p.done"
          [width]="width()"
          [height]="height"
          [laneCentres]="p.laneCentres"
          [turned]="turned()"
          [editable]="editable()"
          [framedBy]="draft.framedBy() ?? p.instrument"
          (postMoved)="dragPost($event)"
          (treeMoved)="dragTree($event)"
          (dropped)="draft.settle()"
        />
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      padding: var(--space-3) var(--space-4) 0;
    }
  `,
})
export class BuildPicture {
  readonly editable = input(true);

  protected readonly draft = inject(GeometryDraft);
  private readonly session = inject(Session);
  protected readonly width = signal(600);
  protected readonly height = PICTURE_PX;
  protected readonly turned = computed(() => this.session.preferences().turned);
  protected dragPost({ index, alongMm, sidewaysMm }: MovedPost): void {
    this.draft.editPost(index, { alongMm: toStep(alongMm), sidewaysMm: toStep(sidewaysMm) }, 'posts');
  }

  protected dragTree({ index, alongMm }: { index: number; alongMm: number }): void {
    this.draft.edit(
      (geometry) => ({ ...geometry, trees: geometry.trees.map((tree, at) => (at === index ? { ...tree, alongMm } : tree)) }),
      'trees',
    );
  }
}
