import { strToU8, zipSync, type Zippable } from 'fflate';
import { stringify } from 'yaml';
import { filesInside, madeFileName, type Edition } from '../edition/edition.js';
import { MarkdownWriter } from './writer.js';

/** What a book is in Markdown: one text, or an archive of it with its pictures and files. */
export interface MadeMarkdown {
  bytes: Uint8Array;
  isArchive: boolean;
}

/** Makes a text in Markdown of a book, with what is said of it before the text; an archive when it has pictures or files. */
export function makeMarkdown(edition: Edition, { modified }: { modified: Date }): MadeMarkdown {
  const writer = new MarkdownWriter(edition);
  const text = strToU8(`${frontMatter(edition)}\n${writer.text()}`);
  const files = filesInside(edition);
  if (writer.media.size + files.length === 0) return { bytes: text, isArchive: false };
  const mtime = new Date(Math.max(modified.getTime(), Date.UTC(1980, 0, 2)));
  const zipped: Zippable = { [madeFileName(edition.book.title, 'markdown')]: [text, { level: 6, mtime }] };
  for (const [path, bytes] of writer.media) zipped[path] = [bytes, { level: 0, mtime }];
  for (const [path, { id }] of files)
    zipped[path] = [edition.enclosures.get(id)?.bytes ?? new Uint8Array(), { level: 6, mtime }];
  return { bytes: zipSync(zipped), isArchive: true };
}

/** What is said of the book, in YAML between two lines of hyphens (common practice). */
function frontMatter({ book }: Edition): string {
  const { title, subtitle, author, language, description, publication } = book;
  const said = {
    title,
    subtitle,
    author,
    lang: language,
    description,
    publisher: publication?.publisher ?? '',
    date: publication?.published ?? '',
    rights: publication?.rights ?? '',
    source: publication?.source ?? '',
    identifier: publication?.identifiers ?? [],
    subject: publication?.subjects ?? [],
  };
  const fields = Object.fromEntries(Object.entries(said).filter(([, value]) => value.length > 0));
  return `---\n${stringify(fields, { defaultStringType: 'QUOTE_DOUBLE', defaultKeyType: 'PLAIN', lineWidth: 0 })}---\n`;
}
