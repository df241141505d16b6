export { cleanDrawing, isDrawing } from './clean-drawing.js';
export type { CleanDrawing, DrawingLink } from './clean-drawing.js';
export { LONGEST_FORMULA, partsOfFormula, readFormula } from './formula.js';
export type { Formula } from './formula.js';
export { MATHML } from './xml-tree.js';
export type { Part } from './xml-tree.js';
export { couldRun, harmless } from './harmless.js';
export { pixelsOf, readPicture } from './picture.js';
