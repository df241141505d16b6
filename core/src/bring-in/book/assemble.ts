import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import {
  handMadeNotes,
  keepIdsUnique,
  makeNotes,
  sureNotes,
  withPlaceIds,
  type DeclaredNotes,
} from '../../edits/index.js';
import { counted, phrases, plainWords } from '../../language/index.js';
import {
  attrsOf,
  beginsPage,
  countWords,
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  docWithinBounds,
  faultInBounds,
  FITTED,
  type Fitted,
  titleOf,
  type Matter,
  type ReadBook,
  type ReadChapter,
  type Publication,
  type Structure,
} from '../../manuscript/index.js';
import type { BroughtIn } from './brought-in.js';
import type { FileDetails } from './details.js';
import { BringInError } from './refusal.js';
import type { Enclosures } from './enclosures.js';
import type { Tally } from './report.js';
import { withoutLanguage } from './without-language.js';
import { separateLinks } from './separate-links.js';

export interface ChapterDraft {
  id: string;
  matter: Matter;
  doc: Node;
  /** What to call the chapter when it has no heading. */
  title?: string;
}

/** What the chapters of a file were read with. */
interface ReadWith {
  enclosures: Enclosures;
  tally: Tally;
  mint: () => string;
  notes: DeclaredNotes;
  /** What the file says of how its book counts, and of its contents. */
  structure?: Partial<Structure>;
  publication?: Publication;
}

/** Puts the chapters that were read together into a book, with its report. What the file calls notes become real ones, and what can be nothing else. */
export function assemble(details: FileDetails, drafts: ChapterDraft[], read: ReadWith): BroughtIn {
  const { enclosures, tally, mint, notes, structure, publication } = read;
  const book: ReadBook = {
    id: mint(),
    ...details,
    look: DEFAULT_LOOK,
    structure: { ...DEFAULT_STRUCTURE, ...structure },
    ...(publication ? { publication } : {}),
    chapters: drafts.map(({ id, matter, doc, title = '' }) => ({
      id,
      matter,
      title,
      leftOutOf: [],
      doc: withPlaceIds(
        separateLinks(docWithinBounds(withoutLanguage(doc, details.language), tellIn(tally)), mint),
        id,
      ),
    })),
  };
  const chapters = withRealNotes(book, notes, tally).map((chapter, index) => {
    const transform = new Transform(chapter.doc);
    keepIdsUnique(transform, mint);
    beginChapter(transform);
    transform.doc.check();
    const words = titleOf(
      transform.doc,
      chapter.title || `${phrases(details.language).chapter} ${index + 1}`,
    );
    const title = plainWords(words, 300);
    refuseTooLarge(transform.doc, title);
    return { ...chapter, title, doc: transform.doc.toJSON() as object };
  });
  tally.add('kept', 'chapters', undefined, chapters.length);
  tally.add(
    'kept',
    'words',
    undefined,
    drafts.reduce((sum, draft) => sum + countWords(draft.doc), 0),
  );
  return { book: { ...book, chapters }, enclosures: enclosures.kept, report: tally.report() };
}

/** What can't be kept at all stands in the report as left out. */
const LEFT_OUT: ReadonlySet<Fitted> = new Set(['address', 'areas']);

const tellIn = (tally: Tally) => (what: Fitted) => {
  const [things, why] = FITTED[what];
  tally.add(LEFT_OUT.has(what) ? 'leftOut' : 'changed', things, why);
};

/** A chapter begins a page by itself, and so does a heading of the first level where there are pages. */
function beginChapter(transform: Transform): void {
  transform.doc.forEach((node, at) => {
    if (beginsPage(node) && (at === 0 || (node.type.name === 'heading' && attrsOf.heading(node).level === 1)))
      transform.setNodeAttribute(at, 'newPage', false);
  });
}

/** @throws BringInError for a chapter that could not be saved again */
function refuseTooLarge(doc: Node, title: string): void {
  const fault = faultInBounds(doc);
  if (fault)
    throw new BringInError(
      'too-large',
      `The chapter “${title.slice(0, 80)}” can’t be brought in: ${fault.message}. Divide it by headings, or into several files, and try again.`,
    );
  const length = JSON.stringify(doc).length;
  if (length > LONGEST_CHAPTER)
    throw new BringInError(
      'too-large',
      `The chapter “${title.slice(0, 80)}” holds ${counted(length, 'sign', 'signs')} with its links, and a chapter may have ${LONGEST_CHAPTER}. Divide it by headings, or into several files, and try again.`,
    );
}

/** Signs of the JSON of a chapter: what can be saved in one request, with room to write on. */
const LONGEST_CHAPTER = 16_000_000;

function withRealNotes(book: ReadBook, declared: DeclaredNotes, tally: Tally): ReadChapter[] {
  const all = handMadeNotes(book, undefined, declared);
  const sure = new Set(sureNotes(book, all));
  const found = all.filter((note) => declared.marks.has(note.mark.id) || sure.has(note));
  if (found.length === 0) return book.chapters;
  const made = makeNotes(book, found);
  tally.add('kept', 'marks of notes', undefined, found.length);
  const docs = new Map(made.chapters.map(({ id, doc }) => [id, doc]));
  return book.chapters
    .filter(({ id }) => !made.emptied.includes(id))
    .map((chapter) => ({ ...chapter, doc: docs.get(chapter.id) ?? chapter.doc }));
}
