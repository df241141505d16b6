import { work } from '../jobs/work.js';
import { reportOf, type ReportInput } from './report.js';

work<ReportInput, never, string>(
  () => null,
  (input) => JSON.stringify(reportOf(input)),
);
