/** Papers that a workshop's printer holds, mm, upright. */
export const PAPERS = {
  a4: { name: 'A4', widthMm: 210, heightMm: 297 },
  letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;
export const PAPER_KINDS = ['a4', 'letter'] as const satisfies readonly Paper[];

/** Length of the line by which a print is checked, mm. */
export const CHECK_LINE_MM = 100;
