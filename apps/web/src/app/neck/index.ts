export { NeckPick } from './neck-pick';
export { RegisterPick } from './register-pick';
