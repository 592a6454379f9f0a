export { JobNotes } from './job-notes';
