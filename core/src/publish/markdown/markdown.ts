import { strToU8 } from 'fflate';
import { stringify } from 'yaml';
import { archiveOf, storedFiles, type ArchiveEntry } from '../edition/archive.js';
import { bytesOf, filesInside, madeFileName, type Edition } from '../edition/edition.js';
import { authorsOf } from '../../manuscript/index.js';
import { MarkdownWriter } from './writer.js';

/** What a book is in Markdown: one text, or an archive of it with its pictures and files. */
export interface MadeMarkdown {
  bytes: Uint8Array;
  isArchive: boolean;
}

/** Makes a text in Markdown of a book, with what is said of it before the text; an archive when it has pictures or files. */
export function makeMarkdown(edition: Edition, { modified }: { modified: Date }): MadeMarkdown {
  const writer = new MarkdownWriter(edition);
  const text = `${frontMatter(edition)}\n${writer.text()}`;
  const files = filesInside(edition);
  if (writer.media.size + files.length === 0) return { bytes: strToU8(text), isArchive: false };
  const entries: ArchiveEntry[] = [
    [madeFileName(edition.book.title, 'markdown'), text, 'packed'],
    ...storedFiles(writer.media),
    ...files.map(([path, { id }]): ArchiveEntry => [path, bytesOf(edition, id), 'packed']),
  ];
  return { bytes: archiveOf(entries, modified), isArchive: true };
}

/** What is said of the book, in YAML between two lines of hyphens (common practice). */
function frontMatter({ book }: Edition): string {
  const { title, subtitle, author, language, description, publication } = book;
  const authors = authorsOf(book);
  const said = {
    title,
    subtitle,
    author: authors.length > 1 ? authors : author,
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
