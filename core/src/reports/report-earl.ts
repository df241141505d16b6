import type { SurveyReport } from './survey-report.js';

/** The report in EARL 1.0 as JSON-LD: one assertion a finding, and one that passed for each rule that found nothing. */
export function reportEarl({ book, madeAt, findings, rules }: SurveyReport): object {
  const subject = `urn:uuid:${book.id}`;
  const by = '_:vennet';
  const assertion = (
    test: string,
    outcome: 'failed' | 'passed' | 'inapplicable',
    info: string,
    pointer?: string,
  ) => ({
    '@type': 'earl:Assertion',
    'earl:assertedBy': { '@id': by },
    'earl:subject': { '@id': subject },
    'earl:test': { '@id': `urn:vennet:rule:${test}` },
    'earl:mode': { '@id': 'earl:automatic' },
    'earl:result': {
      '@type': 'earl:TestResult',
      'earl:outcome': { '@id': `earl:${outcome}` },
      'dct:date': madeAt,
      'dct:description': info,
      ...(pointer ? { 'earl:pointer': pointer } : {}),
    },
  });
  return {
    '@context': {
      earl: `http://www.w3.org/ns/earl#`,
      dct: 'http://purl.org/dc/terms/',
      foaf: 'http://xmlns.com/foaf/0.1/',
    },
    '@graph': [
      { '@id': by, '@type': ['earl:Assertor', 'earl:Software'], 'dct:title': 'Vennet' },
      { '@id': subject, '@type': 'earl:TestSubject', 'dct:title': book.title, 'dct:language': book.language },
      ...rules
        .filter(({ severity }) => severity !== 'off')
        .map(({ id, title, criterion }) => ({
          '@id': `urn:vennet:rule:${id}`,
          '@type': ['earl:TestCriterion', 'earl:TestCase'],
          'dct:title': title,
          'dct:isPartOf': criterion,
        })),
      ...findings.map(({ rule, message, chapter, before, text, after, href }) =>
        assertion(rule, 'failed', message, `${chapter}: ${before}[${text}]${after} → ${href}`),
      ),
      ...rules
        .filter(({ found, severity }) => found === 0 && severity !== 'off')
        .map(({ id, title }) => assertion(id, 'passed', `Nothing was found: ${title}`)),
    ],
  };
}
