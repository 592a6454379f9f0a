export { DayDesk } from './day-desk';
export { DayRail } from './day-rail';
export { HonestPromise } from './honest-promise';
export { dayTime, duration, operationWords } from './day-words';
export { DOUBTFUL_BELOW, passportOf } from './rail';
export { dateOf, momentOf, toPromise } from './moment';
export { inHundred } from './in-hundred';
