export { receiveDeliveries } from './orders.js';
export { projectUse } from './project-use.js';
export { countStock, placeOrder, putOnShelf, stock } from './routes.js';
export { readItems } from './shelf.js';
export { simulatedSupplier } from './supplier.js';
