export { ApiError, faultIn, UnreachableError } from './problem.js';
export {
  bookEvents,
  checkEvents,
  enclosureFile,
  exportBundle,
  exportFile,
  jobEvents,
  vennet,
} from './vennet.js';
export type { Vennet } from './vennet.js';
