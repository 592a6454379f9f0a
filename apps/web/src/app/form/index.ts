export { heldTo } from './held-to';
export { readForm, sayRefusal } from './refused';
