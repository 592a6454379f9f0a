export { feedRoute } from './feed-route.js';
export { type LogFeed, openFeed } from './log-feed.js';
