export { BuildParts, type Part } from './build-parts';
export { BuildPicture } from './build-picture';
export { BuildSharpens } from './build-sharpens';
export { inWords } from './build-words';
export { GeometryDraft } from './draft';
export { kindPicture, pictureOf } from './kind-picture';
