export { Workbench } from './workbench';
