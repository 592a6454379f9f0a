export { BridgeDesk } from './bridge-desk';
export { BridgeWork, RECKONS } from './bridge-work';
