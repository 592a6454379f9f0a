export {
  appendOutcome,
  benchEvent,
  countedTurns,
  EVENT_KINDS,
  loggedString,
  loggedTuning,
  storedEvent,
  toCountedTurns,
  type AppendOutcome,
  type CountedTurnsRow,
  type StoredEvent,
} from './event.js';
export { readEvent } from './read-event.js';
export { found, gaugeRead, heardAt, measured, padsNoted, pitchRead, referenceRead, toolLaid } from './payloads.js';
