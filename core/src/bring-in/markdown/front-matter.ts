import { parse } from 'yaml';
import { authorLine, authorList, NO_PUBLICATION, type Publication } from '../../manuscript/index.js';
import type { Said } from '../page/read-pages.js';

/** What stands before the text between two lines of hyphens, in YAML (common practice). */
export interface FrontMatter {
  said: Said;
  publication: Publication | null;
  /** The text without it. */
  text: string;
}

const BETWEEN = /^---[ \t]*\r?\n([\s\S]*?)\r?\n(?:---|\.\.\.)[ \t]*(?:\r?\n|$)/;

/** Reads what a text says of its book before it begins. What can't be read stays part of the text. */
export function frontMatterOf(text: string): FrontMatter {
  const none: Said = { title: '', author: '', language: '', description: '' };
  const found = BETWEEN.exec(text);
  const fields = found ? fieldsIn(found[1] ?? '') : null;
  if (!found || !fields) return { said: none, publication: null, text };
  const one = (...names: string[]) =>
    names.map((name) => worded(fields[name])).find((words) => words !== '') ?? '';
  const many = (...names: string[]) => names.flatMap((name) => listed(fields[name]));
  const authors = many('author', 'authors', 'creator');
  const publication: Publication = {
    ...NO_PUBLICATION,
    authors: authorList(authors),
    publisher: one('publisher'),
    published: one('date', 'published'),
    rights: one('rights', 'copyright', 'license'),
    source: one('source'),
    identifiers: many('identifier', 'identifiers', 'isbn'),
    subjects: many('subject', 'subjects', 'keywords', 'tags'),
  };
  const says = Object.values(publication).some((value) =>
    Array.isArray(value) ? value.length > 0 : Boolean(value),
  );
  return {
    said: {
      title: one('title'),
      subtitle: one('subtitle'),
      author: authorLine(authors),
      language: one('lang', 'language'),
      description: one('description', 'abstract'),
    },
    publication: says ? publication : null,
    text: text.slice(found[0].length),
  };
}

function fieldsIn(yaml: string): Record<string, unknown> | null {
  try {
    // Names that stand for others are not followed, so that nothing grows.
    const read: unknown = parse(yaml, { maxAliasCount: 0, schema: 'failsafe', logLevel: 'silent' });
    return typeof read === 'object' && read !== null && !Array.isArray(read)
      ? (read as Record<string, unknown>)
      : null;
  } catch {
    return null;
  }
}

/** The words of a field; of a group of fields its `name` or `text`. */
function worded(value: unknown): string {
  if (typeof value === 'string' || typeof value === 'number')
    return String(value).replace(/\s+/g, ' ').trim();
  if (Array.isArray(value)) return value.map(worded).filter(Boolean).join(', ');
  if (typeof value !== 'object' || value === null) return '';
  const { name, text } = value as Record<string, unknown>;
  return worded(name ?? text);
}

const listed = (value: unknown): string[] =>
  (Array.isArray(value) ? value : [value]).map(worded).filter((words) => words !== '');
