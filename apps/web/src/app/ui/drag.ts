import { DestroyRef, Directive, ElementRef, inject, input, output, type OnInit } from '@angular/core';
import { drag, select, type D3DragEvent } from 'd3';

/** A place in the user units of the picture that something is dragged in. */
export interface Dragged {
  x: number;
  y: number;
}

/** Makes part of an SVG picture draggable by mouse, pen and finger. */
// a finger that drags scrolls nothing meanwhile
@Directive({ selector: '[pegDrag]', host: { '[style.touch-action]': "pegDrag() ? 'none' : null" } })
export class Drag implements OnInit {
  /** Off while the thing may not be moved. */
  readonly pegDrag = input(true);
  readonly pegDragged = output<Dragged>();
  readonly pegDropped = output();

  private readonly element = inject<ElementRef<SVGElement>>(ElementRef).nativeElement;
  private readonly destroyed = inject(DestroyRef);

  ngOnInit(): void {
    const svg = this.element instanceof SVGSVGElement ? this.element : this.element.ownerSVGElement;
    if (svg === null) throw new TypeError('only parts of a picture can be dragged');
    type Moved = D3DragEvent<SVGElement, unknown, Dragged>;
    const behaviour = drag<SVGElement, unknown>()
      .container(() => svg)
      // a finger has no button
      .filter((event: MouseEvent | TouchEvent) => this.pegDrag() && !event.ctrlKey && ('touches' in event || event.button === 0))
      .on('start drag', ({ x, y }: Moved) => this.pegDragged.emit({ x, y }))
      .on('end', () => this.pegDropped.emit());
    const selection = select(this.element);
    selection.call(behaviour);
    this.destroyed.onDestroy(() => selection.on('.drag', null));
  }
}
