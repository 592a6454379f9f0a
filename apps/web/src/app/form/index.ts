export { faultOf, heldBy, heldTo, SAYS } from './held-to';
export { readForm, sayRefusal } from './refused';
