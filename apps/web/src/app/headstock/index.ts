export { Headstock, type MovedPost } from './headstock';
