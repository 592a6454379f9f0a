export type { Endpoint } from './endpoint.js';
export { ENDPOINTS, MOST_EVENTS } from './table.js';
export { CUT_STRIP_PDF_PATH, FEED_PATH, feedMessage, TABLE_PDF_PATH, type FeedMessage } from './other-paths.js';
export type { BodyOf, Call, EndpointName, ParamsOf, QueryOf, ReplyOf } from './table.js';
export { openApi } from './open-api.js';
