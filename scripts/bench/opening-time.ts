/** How long something takes to stand on the screen. */
export interface OpeningTime {
  name: string;
  ms: number;
}
