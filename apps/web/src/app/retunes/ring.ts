/** Two notes of a bell that fades, s and Hz. */
const NOTES = [
  { at: 0, frequency: 880 },
  { at: 0.18, frequency: 1318.5 },
];
const FADES_S = 1.2;
const LOUD = 0.25;

/** Rings once. A browser that lets no page sound before somebody touched it stays silent. */
export function ring(): void {
  const context = new AudioContext();
  for (const { at, frequency } of NOTES) {
    const [tone, level] = [new OscillatorNode(context, { frequency, type: 'triangle' }), new GainNode(context, { gain: LOUD })];
    const from = context.currentTime + at;
    level.gain.setValueAtTime(LOUD, from);
    level.gain.exponentialRampToValueAtTime(0.001, from + FADES_S);
    tone.connect(level).connect(context.destination);
    tone.start(from);
    tone.stop(from + FADES_S);
  }
  setTimeout(() => void context.close(), 1000 * (FADES_S + 1));
}
