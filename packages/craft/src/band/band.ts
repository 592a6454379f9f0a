/** Four times in five between low and high; infinite where it never comes. */
export interface Band {
  low: number;
  likely: number;
  high: number;
}

export interface Weighted {
  value: number;
  weight: number;
}

/** A share that moves no percentile, however many have it. */
const NEGLIGIBLE = 1e-9;

/**
 * The tenth, fiftieth and ninetieth percentile of weighted values.
 * @throws RangeError if no value has a weight.
 */
export function bandOf(values: readonly Weighted[]): Band {
  const total = values.reduce((sum, { weight }) => sum + weight, 0);
  const sorted = values.filter(({ weight }) => weight > NEGLIGIBLE * total).sort((a, b) => a.value - b.value);
  const at = (share: number): number => {
    let passed = 0;
    for (const { value, weight } of sorted) {
      passed += weight;
      if (passed >= share * total) return value;
    }
    throw new RangeError('a band needs at least one weighted value');
  };
  return { low: at(0.1), likely: at(0.5), high: at(0.9) };
}
