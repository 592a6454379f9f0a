export {
  appendOutcome,
  benchEvent,
  countedTurns,
  loggedString,
  loggedTuning,
  storedEvent,
  toCountedTurns,
  type AppendOutcome,
  type CountedTurnsRow,
  type StoredEvent,
} from './event.js';
export { found, gaugeRead, measured, padsNoted, pitchRead, referenceRead, toolLaid } from './payloads.js';
