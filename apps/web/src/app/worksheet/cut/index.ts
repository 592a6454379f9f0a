export { CutRule } from './cut-rule';
