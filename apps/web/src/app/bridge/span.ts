/** Cents to either side of the note that lanes can show, and between their ticks. */
const SPANS = [
  { span: 120, step: 50 },
  { span: 320, step: 150 },
  { span: 640, step: 300 },
  { span: 1300, step: 600 },
];

/** The narrowest scale that holds all that is shown on it. */
export function spanFor(cents: readonly (number | null)[]): { span: number; ticks: number[] } {
  const most = Math.max(...cents.flatMap((each) => (each === null || !Number.isFinite(each) ? [] : [Math.abs(each)])));
  const { span, step } = SPANS.find((each) => each.span >= most) ?? { span: 1300, step: 600 };
  return { span, ticks: [-2, -1, 1, 2].map((nth) => nth * step) };
}
