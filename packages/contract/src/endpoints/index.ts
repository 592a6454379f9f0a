export { PERSON_HEADER, REQUEST_HEADER } from './endpoint.js';
export type { Endpoint, JsonEndpoint, StreamEndpoint } from './endpoint.js';
export { FEED_HEARTBEAT_MS, feedMessage, type FeedMessage } from './feed-message.js';
export { openApi } from './open-api.js';
export {
  ENDPOINTS,
  type BodyOf,
  type Call,
  type EndpointName,
  type ParamsOf,
  type QueryOf,
  type ReplyOf,
  type StreamName,
} from './table.js';
export { MOST_EVENTS, MOST_EVENTS_READ } from './work.js';
