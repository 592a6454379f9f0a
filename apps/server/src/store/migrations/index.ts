export { Foundation1764000000000 } from './1764000000000-foundation.js';
export { StringsAndStock1764100000000 } from './1764100000000-strings-and-stock.js';
export { MethodsAndCounts1764200000000 } from './1764200000000-methods-and-counts.js';
export { StageTimes1764300000000 } from './1764300000000-stage-times.js';
export { OneOfEach1764400000000 } from './1764400000000-one-of-each.js';
export { TasksAndSecrets1764500000000 } from './1764500000000-tasks-and-secrets.js';
export { Size1764600000000 } from './1764600000000-size.js';
export { RegisterOrder1764700000000 } from './1764700000000-register-order.js';
