export { courseSizes, MOST_STRINGS, withCourses } from './courses.js';
export { headOf, pegsOnHead, withHead, type HeadPlan } from './head.js';
export { withAnchor, withPostStyle } from './parts.js';
