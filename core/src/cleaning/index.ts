export { cleanDrawing, isDrawing } from './clean-drawing.js';
export type { CleanDrawing, DrawingLink } from './clean-drawing.js';
export { couldRun, harmless } from './harmless.js';
export { pixelsOf, readPicture } from './picture.js';
