export { ApiError, faultIn, UnreachableError } from './problem.js';
export { checkEvents, enclosureFile, exportBundle, exportFile, jobEvents, vennet } from './vennet.js';
export type { Vennet } from './vennet.js';
