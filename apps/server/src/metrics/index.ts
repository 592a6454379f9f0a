export { openMetrics, type Metrics } from './metrics.js';
