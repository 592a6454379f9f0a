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
export { logLine, logPage, logQuery, type LogLine, type LogQuery } from './log.js';
export { readEvent } from './read-event.js';
export {
  clawTurned,
  found,
  gaugeRead,
  heardAt,
  measured,
  onBridge,
  padsNoted,
  pitchRead,
  referenceRead,
  springsHooked,
  springsLearned,
  toolLaid,
} from './payloads.js';
