export { NeckPick } from './neck-pick';
