export { COURSE_NAMES, REFERRAL_NAMES, sayFinding, SEVERITY_NAMES } from './finding-words';
export { LookOver } from './look-over';
