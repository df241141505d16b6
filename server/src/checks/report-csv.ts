import type { SurveyReport } from '@vennet/core/reports';
import { stringify } from 'csv-stringify/sync';

/** The findings as CSV (RFC 4180), one line each. What begins like a formula is kept from being one. */
export const reportCsv = ({ findings }: SurveyReport): string =>
  stringify(
    findings.map(({ severity, rule, criterion, message, judged, chapter, before, text, after, href }) => ({
      ...{
        severity,
        rule,
        criterion,
        finding: message,
        judged,
        chapter,
        before,
        link: text,
        after,
        address: href,
      },
    })),
    { header: true, escape_formulas: true, bom: true, record_delimiter: '\r\n' },
  );

/** The destinations as CSV. */
export const destinationsCsv = ({ destinations }: SurveyReport): string =>
  stringify(
    destinations.map(({ verdict, href, uses, reason, checkedAt, title }) => ({
      ...{ verdict, address: href, uses, found: reason, checked: checkedAt, title },
    })),
    { header: true, escape_formulas: true, bom: true, record_delimiter: '\r\n' },
  );
