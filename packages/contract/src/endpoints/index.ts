export type { Endpoint } from './endpoint.js';
export { ENDPOINTS, FEED_PATH, TABLE_PDF_PATH, feedMessage, MOST_EVENTS } from './table.js';
export type { BodyOf, Call, EndpointName, FeedMessage, ParamsOf, QueryOf, ReplyOf } from './table.js';
export { openApi } from './open-api.js';
