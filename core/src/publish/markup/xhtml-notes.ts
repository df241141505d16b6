import { phrases } from '../../language/index.js';
import type { Note } from '../../manuscript/index.js';
import type { Edition } from '../edition/edition.js';
import { noteBacks, notesOfChapter } from '../edition/note-backs.js';
import type { PageContext } from './page-context.js';
import { content } from './xhtml.js';
import { nameOfNote } from './xhtml-inside.js';
import { element, escapeXml } from './xml.js';

/** Notes as a list at the end, each with its ways back (`doc-endnotes`, `doc-backlink`). */
export function listOfNotes(
  notes: readonly Note[],
  page: PageContext,
  level: number | null,
  chapter = '',
): string {
  if (notes.length === 0) return '';
  const epub = page.edition.format === 'epub';
  const title = phrases(page.edition.book.language).notes;
  const items = notes.map((note) =>
    element(
      'li',
      { id: page.once(note.id), value: note.number, 'epub:type': epub ? 'endnote' : null },
      withBacks(note, page),
    ),
  );
  const heading = level === null ? '' : `${element(`h${level}`, {}, escapeXml(title))}\n`;
  return element(
    'section',
    {
      class: 'notes',
      role: 'doc-endnotes',
      'aria-label': chapter ? `${title}, ${chapter}` : title,
      'epub:type': epub ? 'endnotes' : null,
    },
    `${heading}${element('ol', {}, `\n${items.join('\n')}\n`)}`,
  );
}

function withBacks(note: Note, page: PageContext): string {
  const epub = page.edition.format === 'epub';
  const backs = noteBacks(note, page.edition).map(({ to, words }) =>
    element(
      'a',
      {
        href: page.addressOfPlace(to),
        role: 'doc-backlink',
        'epub:type': epub ? 'backlink' : null,
        'aria-label': `${words}, ${nameOfNote(note, page)}`,
      },
      escapeXml(words),
    ),
  );
  const paragraphs = note.node.children.map((one) => content(one, page));
  const last = paragraphs.pop() ?? '';
  return [...paragraphs, `${last} ${backs.join(' ')}`].map((words) => element('p', {}, words)).join('\n');
}

/** The notes of the whole book: chapter by chapter where they are counted so. `level` is that of the title above them. */
export function notesOfBook({ book, map }: Edition, page: PageContext, level: number): string {
  if (map.notes.length === 0) return '';
  const title = element(`h${level}`, {}, escapeXml(phrases(book.language).notes));
  if (book.structure.notes.count === 'book') return `${title}\n${listOfNotes(map.notes, page, null)}`;
  const lists = book.chapters.flatMap((chapter) => {
    const list = listOfNotes(notesOfChapter(page.edition, chapter.id), page, null, chapter.title);
    return list === '' ? [] : [element(`h${level + 1}`, {}, escapeXml(chapter.title)), list];
  });
  return [title, ...lists].join('\n');
}
