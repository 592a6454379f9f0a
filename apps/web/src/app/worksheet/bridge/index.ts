export { BridgeDesk } from './bridge-desk';
export { BridgeWork } from './bridge-work';
