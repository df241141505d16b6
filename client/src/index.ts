export { ApiError, faultIn, UnreachableError } from './problem.js';
export {
  bookEvents,
  checkEvents,
  enclosureFile,
  groundFile,
  exportBundle,
  exportFile,
  formsBundle,
  readingPage,
  jobEvents,
  REPORT_FORMS,
  reportFile,
  vennet,
} from './vennet.js';
export type { Vennet } from './vennet.js';
