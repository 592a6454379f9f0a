/* Runs inside the page: what a person sees of it, and what is wrong with that. Each fault is a sentence. */

interface Seen {
  node: Text;
  element: Element;
  /** Drawn over a rim of its own ground: a line behind it does not strike it through. */
  rimmed: boolean;
  /** In the caution that lies over the foot of a page. */
  atFoot: boolean;
  word: string;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export function faultsSeen({ scrolls, touch }: { scrolls: boolean; touch: boolean }): string[] {
  /** Rounding of the browser, px. */
  const SLACK = 1.5;
  /** A finger, px. */
  const LEAST_TARGET = 44;
  const main = document.querySelector('main') ?? document.body;
  const [wide, high] = [document.documentElement.scrollWidth - innerWidth, document.documentElement.scrollHeight - innerHeight];
  const shown = (element: Element) =>
    element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
    element.closest('.visually-hidden, title, desc') === null;

  const clips = new Map<Element, ReturnType<typeof clippersOf>>();
  const texts = textsIn();
  const clipped = texts.map(asClipped);
  return [
    ...new Set([
      ...(wide > 0 ? [`the page is ${wide} px wider than the window`] : []),
      ...(high > 0 && !scrolls ? [`the page is ${high} px higher than the window`] : []),
      ...texts.flatMap(cutOff),
      ...overOneAnother(clipped),
      ...underLines(clipped),
      ...belowTheFold(),
      ...(touch ? tooSmall() : []),
    ]),
  ];

  function textsIn(): Seen[] {
    const walker = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
    const found: Seen[] = [];
    for (let node = walker.nextNode() as Text | null; node !== null; node = walker.nextNode() as Text | null) {
      const element = node.parentElement;
      if (element === null || node.data.trim() === '' || !shown(element)) continue;
      const style = getComputedStyle(element);
      const rimmed = element instanceof SVGElement && style.paintOrder.startsWith('stroke') && style.stroke !== 'none';
      const atFoot = element.closest('peg-caution') !== null;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects()) {
        if (box.width < 1) continue;
        // what is printed of a line: letters stand in the middle of it
        const letters = Math.min(box.height, Number.parseFloat(style.fontSize)) * 0.38;
        const middle = (box.top + box.bottom) / 2;
        const word = node.data.trim().slice(0, 32);
        const [top, bottom] = [middle - letters, middle + letters];
        found.push({ node, element, rimmed, atFoot, word, left: box.left, right: box.right, top, bottom });
      }
    }
    return found;
  }

  function clippers(element: Element): ReturnType<typeof clippersOf> {
    const known = clips.get(element) ?? clippersOf(element);
    clips.set(element, known);
    return known;
  }

  function clippersOf(element: Element): { box: DOMRect; scrollsX: boolean; scrollsY: boolean }[] {
    const found = [];
    for (let up: Element | null = element; up !== null && up !== document.body; up = up.parentElement) {
      const { overflowX, overflowY, position } = getComputedStyle(up);
      if (overflowX !== 'visible' || overflowY !== 'visible') {
        const can = (overflow: string, more: boolean) => /auto|scroll/.test(overflow) && more;
        const scrollsX = can(overflowX, up.scrollWidth > up.clientWidth);
        found.push({ box: up.getBoundingClientRect(), scrollsX, scrollsY: can(overflowY, up.scrollHeight > up.clientHeight) });
      }
      if (position === 'fixed') break;
    }
    return found;
  }

  function cutOff({ element, word, left, right, top, bottom }: Seen): string[] {
    for (const { box, scrollsX, scrollsY } of clippers(element)) {
      if (!scrollsX && (left < box.left - SLACK || right > box.right + SLACK)) return [`cut off sideways: ${word}`];
      if (!scrollsY && (top < box.top - SLACK || bottom > box.bottom + SLACK)) return [`cut off: ${word}`];
      if (scrollsX || scrollsY) return [];
    }
    return [];
  }

  function asClipped(seen: Seen): Seen {
    return clippers(seen.element).reduce(
      (rest, { box }) => ({
        ...rest,
        left: Math.max(rest.left, box.left),
        right: Math.min(rest.right, box.right),
        top: Math.max(rest.top, box.top),
        bottom: Math.min(rest.bottom, box.bottom),
      }),
      seen,
    );
  }

  /** The caution lies over the foot of a page that scrolls: what is under it comes up. */
  function overOneAnother(seen: readonly Seen[]): string[] {
    return seen.flatMap((one, index) =>
      seen.slice(index + 1).flatMap((other) => {
        if (one.node === other.node || one.atFoot !== other.atFoot) return [];
        const across = Math.min(one.right, other.right) - Math.max(one.left, other.left);
        const down = Math.min(one.bottom, other.bottom) - Math.max(one.top, other.top);
        return across > SLACK && down > SLACK ? [`text over text: ${one.word} and ${other.word}`] : [];
      }),
    );
  }

  function underLines(seen: readonly Seen[]): string[] {
    const drawn = [...main.querySelectorAll<SVGGeometryElement>('svg :is(line, path, polyline, circle, rect, ellipse)')];
    const bare = seen.filter(({ rimmed, atFoot }) => !rimmed && !atFoot);
    return drawn.flatMap((shape) => {
      // along a shape it is only walked where that lies over letters at all
      const box = shape.getBoundingClientRect();
      const over = bare.filter(({ left, right, top, bottom }) => box.right > left && box.left < right && box.bottom > top && box.top < bottom); // prettier-ignore
      const matrix = over.length === 0 ? null : shape.getScreenCTM();
      if (matrix === null || getComputedStyle(shape).stroke === 'none' || !shown(shape)) return [];
      if (shape.closest('defs, clipPath, mask, pattern, marker') !== null) return [];
      const length = shape.getTotalLength();
      const count = Math.min(600, Math.ceil((length * Math.hypot(matrix.a, matrix.b)) / 2));
      const points = Array.from({ length: count }, (_, at) => shape.getPointAtLength((at * length) / count).matrixTransform(matrix));
      const struck = ({ left, right, top, bottom }: Seen) =>
        points.some(({ x, y }) => x > left + 1 && x < right - 1 && y > top + 1 && y < bottom - 1);
      return over.filter(struck).map(({ word }) => `text under a line: ${word}`);
    });
  }

  function belowTheFold(): string[] {
    const caution = main.querySelector('peg-caution')?.getBoundingClientRect();
    const floor = caution === undefined || caution.height === 0 ? innerHeight : Math.min(innerHeight, caution.top);
    const low = [...main.querySelectorAll('button.act')].filter((act) => shown(act) && act.getBoundingClientRect().bottom > floor + SLACK);
    return low.map((act) => `below the fold: ${act.textContent.trim()}`);
  }

  function tooSmall(): string[] {
    return [...main.querySelectorAll('button, a, input, textarea, [role=slider], mat-select')].filter(shown).flatMap((target) => {
      const boxes = [
        target.closest('mat-form-field, mat-checkbox, mat-radio-button') ?? target,
        ...target.querySelectorAll('.mat-mdc-button-touch-target'),
      ];
      const sizes = boxes.map((each) => each.getBoundingClientRect());
      const [width, height] = [Math.max(...sizes.map((size) => size.width)), Math.max(...sizes.map((size) => size.height))];
      const label = target.getAttribute('aria-label') ?? target.textContent.trim();
      return width > 0 && (width < LEAST_TARGET - SLACK || height < LEAST_TARGET - SLACK)
        ? [`a target of ${Math.round(width)} × ${Math.round(height)} px: ${target.tagName.toLowerCase()} ${label}`]
        : [];
    });
  }
}
