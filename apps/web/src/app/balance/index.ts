export { BridgeSolver, type BridgeQuestion, type BridgeReply } from './bridge-solver';
