export { WindDialogs } from './wind-dialogs';
export { Wind } from './wind';
