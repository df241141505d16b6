import { attrsOf, CONTENTS, TOP, type Format, type ReadBook } from '../../manuscript/index.js';

/** Names that a form has for places of every document. */
const OWN: Partial<Record<Format, Record<string, string>>> = {
  // The top of a document by its program's own name (from memory); a name that begins with a line is not shown among bookmarks.
  docx: { [TOP]: '_top', [CONTENTS]: '_book_contents' },
  odt: { [TOP]: '_book_top', [CONTENTS]: '_book_contents' },
};

/** The longest name of a bookmark in DOCX, in signs (from memory). */
const LONGEST = 40;

/**
 * What a form calls the places of a book, where it can't call them by their ids. Bookmarks bear the names that their author gave them, as far as
 * the form takes them; every name is there once.
 */
export function namesIn(
  format: Format,
  book: Pick<ReadBook, 'chapters'>,
  places: readonly string[],
): Map<string, string> {
  const fit = FITTING[format];
  const names = new Map<string, string>();
  if (!fit) return names;
  const bookmarks = bookmarkNames(book);
  const taken = new Set<string>();
  const give = (place: string, wanted: string) => {
    let name = wanted;
    for (let count = 2; taken.has(name.toLowerCase()); count++) {
      const ending = `_${count}`;
      name = wanted.slice(0, (format === 'docx' ? LONGEST : 200) - ending.length) + ending;
    }
    taken.add(name.toLowerCase());
    names.set(place, name);
  };
  for (const [place, name] of Object.entries(OWN[format] ?? {})) give(place, name);
  // What an author named comes first, so that it keeps its name.
  for (const [place, name] of bookmarks) if (name !== '') give(place, fit(name, true));
  for (const place of places) if (!names.has(place)) give(place, fit(place, false));
  return names;
}

/** A name as a form takes it; `isNamed` where an author gave it. */
const FITTING: Partial<Record<Format, (name: string, isNamed: boolean) => string>> = {
  docx: (name, isNamed) => {
    const plain = name.replace(/[^\p{L}\p{N}_]+/gu, '_').replace(/^_+|_+$/g, '');
    if (!isNamed) return `_Ref_${plain}`.slice(0, LONGEST);
    return (/^\p{L}/u.test(plain) ? plain : `b_${plain}`).slice(0, LONGEST);
  },
  // Names that begin with a line are those of places that no author named.
  odt: (name, isNamed) => {
    const plain =
      name
        .replace(/[\s|#]+/g, ' ')
        .replace(/^_+/, '')
        .trim()
        .slice(0, 190) || 'b';
    return isNamed ? plain : `_ref_${plain}`;
  },
  markdown: (name) => {
    const plain = name.replace(/[^\p{L}\p{N}_-]+/gu, '-').replace(/^-+|-+$/g, '');
    return (/^\p{L}/u.test(plain) ? plain : `b-${plain}`).slice(0, 200);
  },
};

/** The names that bookmarks have by their authors, by their ids. */
function bookmarkNames({ chapters }: Pick<ReadBook, 'chapters'>): Map<string, string> {
  const names = new Map<string, string>();
  for (const { doc } of chapters)
    doc.descendants((node) => {
      for (const mark of node.marks)
        if (mark.type.name === 'bookmark') {
          const { id, name } = attrsOf.bookmark(mark);
          if (!names.has(id)) names.set(id, name);
        }
    });
  return names;
}
