export {
  CONSTRUCTIONS,
  CORE_SHAPES,
  FAMILIES,
  FINISHES,
  type Construction,
  type CoreShape,
  type Family,
  type Finish,
} from './string-kinds.js';
