declare module 'fft.js' {
  /** Radix-4 transform of a power of two; complex numbers interleaved. */
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    /** Fills the first half of the spectrum of real `input`. */
    realTransform(output: number[], input: ArrayLike<number>): void;
  }
}
