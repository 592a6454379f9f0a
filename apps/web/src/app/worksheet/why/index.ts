export { chooseReasons } from './choose-reasons';
export { measureReason } from './measure-reason';
export { type WhyData, WhyDialog } from './why-dialog';
export { longIn } from './why-line';
export { turnsReason, windReasons } from './wind-reasons';
