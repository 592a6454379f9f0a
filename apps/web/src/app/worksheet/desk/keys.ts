export type KeyAction =
  | { kind: 'lane'; index: number }
  | { kind: 'stage'; by: 1 | -1 }
  | {
      kind: 'done' | 'done-together' | 'pause' | 'take-back' | 'why' | 'keys' | 'edit' | 'leave' | 'scrap' | 'pick' | 'bench-mode' | 'say';
    };

/** Keys of the worksheet, in words, for the card that lists them. */
export const KEYS: readonly { keys: string; does: string }[] = [
  { keys: '1 … 9', does: 'take the string of that number in hand' },
  { keys: 'Space', does: 'this step of this string is done; on to the next string' },
  { keys: 'Shift Space', does: 'the same for all strings that are worked together' },
  { keys: 'Backspace', does: 'take the last step back' },
  { keys: '← →', does: 'along the rule, one stage back or on' },
  { keys: 'Enter', does: 'edit the number in hand' },
  { keys: 'Esc', does: 'leave a field or a button: the keys are those of the worksheet again' },
  { keys: 'W', does: 'why this number: the rule and what it was computed from' },
  { keys: 'O', does: 'at Choose: only the string in hand is replaced; again, it is taken in or left out' },
  { keys: 'X', does: 'the string in hand is lost: say why, and begin again with another' },
  { keys: 'P', does: 'stop the clock, and let it run on' },
  { keys: 'B', does: 'bench mode: the step in hand in large type, and back' },
  { keys: 'S', does: 'say the step in hand aloud' },
  { keys: '↑ ↓', does: 'at Bring up: turn the button of the simulated instrument finely, by 30° with Shift' },
  { keys: 'A, D', does: 'at Bring up: pluck the simulated string, or stretch it by hand' },
  { keys: '?', does: 'this card' },
];

/** Keys that move a mark that can be pushed; all others are those of the worksheet. */
const SLIDES: ReadonlySet<string> = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'PageUp', 'PageDown', 'Home']);

/** What a key means at the worksheet; null where it belongs to whatever has the focus. */
export function keyAction(
  event: Pick<KeyboardEvent, 'key' | 'shiftKey' | 'target' | 'ctrlKey' | 'altKey' | 'metaKey' | 'defaultPrevented'>,
  laneCount: number,
): KeyAction | null {
  if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented) return null;
  const element = event.target as HTMLElement | null;
  if (event.key === 'Escape' && element?.closest?.('input, textarea, select, button, a, [tabindex]') != null) return { kind: 'leave' };
  if (element?.closest?.('input, textarea, select, [contenteditable], [role=option]:not(.mat-mdc-chip-action), [role=combobox]'))
    return null;
  if (element?.closest?.('[role=slider]') != null && SLIDES.has(event.key)) return null;
  const has = (selector: string) => element?.closest?.(selector) != null;
  const digit = Number(event.key);
  if (Number.isInteger(digit) && digit >= 1 && digit <= laneCount) return { kind: 'lane', index: digit - 1 };
  switch (event.key) {
    case ' ':
      return has('button:not([data-lane])') ? null : { kind: event.shiftKey ? 'done-together' : 'done' }; // a button is pressed by Space; a lane that was picked is not
    case 'Backspace':
      return { kind: 'take-back' };
    case 'ArrowLeft':
      return { kind: 'stage', by: -1 };
    case 'ArrowRight':
      return { kind: 'stage', by: 1 };
    case 'Enter':
      return has('button:not([data-lane]), a') ? null : { kind: 'edit' };
    case 'w':
    case 'W':
      return { kind: 'why' };
    case 'x':
    case 'X':
      return { kind: 'scrap' };
    case 'o':
    case 'O':
      return { kind: 'pick' };
    case 'p':
    case 'P':
      return { kind: 'pause' };
    case 'b':
    case 'B':
      return { kind: 'bench-mode' };
    case 's':
    case 'S':
      return { kind: 'say' };
    case '?':
      return { kind: 'keys' };
    default:
      return null;
  }
}
