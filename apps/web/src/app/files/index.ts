export { FilesView } from './files-view';
