import type { Node } from 'prosemirror-model';
import { SEVERITIES } from '../audit/index.js';
import { plainWords } from '../language/index.js';
import { DEFAULT_LOOK, DEFAULT_STRUCTURE, schema, tableOf, type ReadBook } from '../manuscript/index.js';
import { VERDICTS } from '../reach/index.js';
import { SEVERITY_MEANINGS, SEVERITY_TITLES, statementOf, VERDICT_TITLES } from './report-words.js';
import type { ReportedFinding, SurveyReport } from './survey-report.js';

/** Findings of one severity and destinations of one verdict that a report for reading lists at most; its data hold all. */
const MOST = 2_000;
const LONGEST = 1_500;

/**
 * A report as a book, so that it is published as books are: a tagged PDF, a web page with headings, lists and tables. Addresses
 * stand in it as words, since many of them lead nowhere.
 */
export function reportBook(report: SurveyReport): ReadBook {
  const { book } = report;
  const chapters = [
    chapter('statement', 'Accessibility of the links', statement(report)),
    ...SEVERITIES.map((severity) =>
      chapter(severity, SEVERITY_TITLES[severity], [
        paragraph(SEVERITY_MEANINGS[severity]),
        ...findingsIn(report.findings.filter((one) => one.severity === severity)),
      ]),
    ),
    chapter('destinations', 'Destinations', destinationsIn(report)),
    chapter('rules', 'Rules and reasons', rulesIn(report)),
  ];
  return {
    id: book.id,
    title: plainWords(`The links of “${book.title}”`, 300),
    subtitle: `As they were on ${day(report.madeAt)}`,
    author: book.author,
    // The report is in the language of the interface.
    language: 'en-GB',
    description: '',
    look: DEFAULT_LOOK,
    structure: DEFAULT_STRUCTURE,
    chapters,
  };
}

const day = (moment: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' }).format(new Date(moment));

const words = (text: string): Node[] => {
  const plain = plainWords(text.replace(/\s+/g, ' ').trim(), LONGEST);
  return plain === '' ? [] : [schema.text(plain)];
};
const strong = (text: string): Node[] => words(text).map((node) => node.mark([schema.marks.strong.create()]));
const spaced = (...parts: Node[][]): Node[] =>
  parts
    .filter((part) => part.length > 0)
    .flatMap((part, index) => (index === 0 ? part : [schema.text(' '), ...part]));
const paragraph = (text: string): Node => schema.node('paragraph', null, words(text));
const heading = (level: number, text: string): Node => schema.node('heading', { level }, words(text));

function chapter(id: string, title: string, blocks: Node[]): ReadBook['chapters'][number] {
  const doc = schema.node('doc', null, [
    heading(1, title),
    ...(blocks.length > 0 ? blocks : [paragraph('Nothing.')]),
  ]);
  return { id: `report-${id}`, title, matter: 'main', leftOutOf: [], doc };
}

function tableWith(heads: string[], rows: string[][]): Node[] {
  if (rows.length === 0) return [];
  const cell = (type: string) => (text: string) =>
    schema.node(type, null, [schema.node('paragraph', null, words(text))]);
  return [
    tableOf([
      schema.node('table_row', null, heads.map(cell('table_header'))),
      ...rows.map((row) => schema.node('table_row', null, row.map(cell('table_cell')))),
    ]),
  ];
}

function statement(report: SurveyReport): Node[] {
  const { counts } = report;
  return [
    ...statementOf(report).map(paragraph),
    heading(2, 'Findings'),
    ...tableWith(
      ['How grave', 'Findings'],
      SEVERITIES.map((severity) => [SEVERITY_TITLES[severity], String(counts.findings[severity])]),
    ),
    heading(2, 'Verdicts'),
    ...tableWith(
      ['Verdict', 'Destinations'],
      VERDICTS.flatMap((verdict) => {
        const count = counts.verdicts[verdict];
        return count ? [[VERDICT_TITLES[verdict], String(count)]] : [];
      }),
    ),
  ];
}

function findingsIn(findings: readonly ReportedFinding[]): Node[] {
  if (findings.length === 0) return [paragraph('Nothing was found.')];
  const items = findings
    .slice(0, MOST)
    .map(({ message, criterion, chapter: title, before, text, after, href }) =>
      schema.node('list_item', null, [
        schema.node('paragraph', null, spaced(strong(message), words(`${criterion}.`))),
        schema.node(
          'paragraph',
          null,
          spaced(words(`In “${title}”:`), words(`${before}[${text || 'no words'}]${after}`)),
        ),
        schema.node('paragraph', null, words(href)),
      ]),
    );
  return [schema.node('ordered_list', null, items), ...more(findings.length)];
}

const more = (count: number): Node[] =>
  count > MOST ? [paragraph(`And ${count - MOST} more, which stand in the report as data.`)] : [];

function destinationsIn({ destinations }: SurveyReport): Node[] {
  const open = destinations.filter(({ verdict }) => verdict !== 'sound');
  return [
    paragraph(`Those that are not sound; ${destinations.length - open.length} others are.`),
    ...tableWith(
      ['Verdict', 'Address', 'Uses', 'What was found'],
      open
        .slice(0, MOST)
        .map(({ verdict, href, uses, reason }) => [VERDICT_TITLES[verdict], href, String(uses), reason]),
    ),
    ...more(open.length),
  ];
}

function rulesIn({ rules, aside }: SurveyReport): Node[] {
  return [
    ...tableWith(
      ['Rule', 'Rests on', 'How grave', 'Found'],
      rules.map(({ title, criterion, severity, found, reason }) => [
        title,
        criterion,
        severity === 'off'
          ? `Switched off: ${reason}`
          : SEVERITY_TITLES[severity] + (reason ? `: ${reason}` : ''),
        String(found),
      ]),
    ),
    heading(2, 'Set aside'),
    ...(aside.length === 0
      ? [paragraph('Nothing was set aside.')]
      : tableWith(
          ['What', 'Where', 'Why', 'Until'],
          aside
            .slice(0, MOST)
            .map(({ rule, text, href, reason, until }) => [
              rule,
              text ? `${text} (${href})` : href,
              reason,
              until,
            ]),
        )),
  ];
}
