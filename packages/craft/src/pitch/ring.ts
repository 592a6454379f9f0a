/** The last so many samples of what was heard. */
export class Ring {
  private readonly samples: Float32Array;
  private head = 0;
  /** Samples that ever came. */
  heard = 0;

  constructor(size: number) {
    this.samples = new Float32Array(size);
  }

  push(block: Float32Array): void {
    for (const sample of block) {
      this.samples[this.head] = sample;
      this.head = (this.head + 1) % this.samples.length;
    }
    this.heard += block.length;
  }

  /** The last `count` of them, the oldest first; null while fewer came. */
  last(count: number): Float32Array | null {
    if (count > this.heard || count > this.samples.length) return null;
    const from = (this.head - count + this.samples.length) % this.samples.length;
    const tail = this.samples.subarray(from, Math.min(from + count, this.samples.length));
    const excerpt = new Float32Array(count);
    excerpt.set(tail);
    excerpt.set(this.samples.subarray(0, count - tail.length), tail.length);
    return excerpt;
  }
}
