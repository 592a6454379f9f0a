/** What stands in a field for a number; null where it is empty or no number. */
export function numberIn({ target }: Event): number | null {
  const value = target instanceof HTMLInputElement ? target.valueAsNumber : Number.NaN;
  return Number.isNaN(value) ? null : value;
}
