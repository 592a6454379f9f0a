/* global AudioWorkletProcessor, registerProcessor */
/** Hands on what the microphone hears, in blocks large enough to be worth a message. */
class Capture extends AudioWorkletProcessor {
  constructor() {
    super();
    this.block = new Float32Array(2048);
    this.filled = 0;
  }

  process([[channel]]) {
    if (channel === undefined) return true;
    for (const sample of channel) {
      this.block[this.filled++] = sample;
      if (this.filled < this.block.length) continue;
      this.port.postMessage(this.block, [this.block.buffer]);
      this.block = new Float32Array(2048);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('capture', Capture);
