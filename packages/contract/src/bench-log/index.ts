export { appendOutcome, benchEvent, loggedString, storedEvent, type AppendOutcome, type StoredEvent } from './event.js';
