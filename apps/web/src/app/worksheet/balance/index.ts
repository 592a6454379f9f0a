export { BalanceStage } from './balance-stage';
export { BridgeByEar } from './bridge-by-ear';
