const STEPS: Readonly<Record<string, number>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 5,
  PageDown: -5,
};

/** Steps that a key means; `grows`: the way in which more lies. Null where it means none. */
export function stepOf(key: string, grows: 'right' | 'left' = 'right'): number | null {
  const step = STEPS[key] ?? null;
  return step !== null && grows === 'left' && (key === 'ArrowLeft' || key === 'ArrowRight') ? -step : step;
}

/** The same where nothing that takes keys of its own has the focus. */
export function arrowStep(event: KeyboardEvent, grows: 'right' | 'left' = 'right'): number | null {
  const step = stepOf(event.key, grows);
  const takesKeys = (event.target as Element | null)?.closest(
    'input, textarea, [role=slider], [role=option], [role=listbox], [role=combobox]',
  );
  if (step === null || event.ctrlKey || event.metaKey || event.altKey || takesKeys != null) return null;
  event.preventDefault();
  return step;
}
