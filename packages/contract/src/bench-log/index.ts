export { appendOutcome, benchEvent, loggedString, loggedTuning, storedEvent, type AppendOutcome, type StoredEvent } from './event.js';
