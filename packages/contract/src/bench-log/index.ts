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
export { found, measured, padsNoted, toolLaid } from './payloads.js';
