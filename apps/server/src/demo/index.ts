export { loadDemo } from './load-demo.js';
export { DEMO_SIGN_IN } from './people.js';
