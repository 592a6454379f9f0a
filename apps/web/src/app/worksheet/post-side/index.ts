export { PostSide } from './post-side';
