import { readFileSync } from 'node:fs';
import { auditBook, type Finding } from '@vennet/core/audit';
import { bringIn, BringInError } from '@vennet/core/bring-in';
import { addressesIn, hrefOf } from '@vennet/core/destination';
import { NO_TEXT, oughtToBeLinks, type PageText } from '@vennet/core/ground';
import { GroundError, openGround, readGround, readText } from '@vennet/core/ground/file';
import {
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  isOfPages,
  pageName,
  pagesOf,
  readBook,
  type Book,
  type ReadBook,
} from '@vennet/core/manuscript';
import { Pdfium } from '@vennet/core/pdfium';
import { editionOf, expectedLinks, filesBeside } from '@vennet/core/publish';
import {
  linksInEpub,
  linksInPdf,
  linksInWebPage,
  prove,
  type FoundLink,
  type Proof,
} from '@vennet/core/readback';
import type { ShelfFile, Surroundings } from '@vennet/core/shelf';
import { surroundingsOf, type AnyProof, type ProvedLink } from '@vennet/core/wire';
import { isPdf } from '../platform/is-pdf.js';
import { guessedLanguage } from '../platform/guessed-language.js';
import { manuscriptFrom, type BookSource } from '../books/book-source.js';
import { WorkRefusal } from '../jobs/in-process.js';
import { work } from '../jobs/work.js';
import { mint } from '../platform/mint.js';

export interface ProveAnyInput {
  path: string;
  name: string;
  password: string;
  /** The book that the file may have been made of. */
  source: BookSource;
}

type Kind = AnyProof['kind'];

/** What a file from anywhere holds: as a book, by which its links are judged, and words that only look like links. */
interface Held {
  book: ReadBook;
  surroundings: Surroundings;
  looks: { text: string; href: string; where: string }[];
}

/** Of the links of a book so many have to be in a file that was made of it. */
const STEMS = 0.5;

work<ProveAnyInput, never, AnyProof>(
  (error) =>
    error instanceof BringInError || error instanceof GroundError || error instanceof WorkRefusal
      ? error.message
      : null,
  async ({ path, name, password, source }) => {
    const bytes = new Uint8Array(readFileSync(path));
    const kind = kindOf(bytes, name);
    const held = kind === 'pdf' ? await pagesIn(bytes, password) : textIn(bytes, name);
    const { links, findings } = auditBook(held.book, held.surroundings);
    const titles = new Map(held.book.chapters.map(({ id, title }) => [id, title]));
    const pages = pagesOfLinks(held.book);
    const judged = links.map(({ id, href, text, chapter }): ProvedLink & { id: string } => ({
      ...{ state: 'found', id, chapter, href, text },
      where: pages.get(id) ?? titles.get(chapter) ?? '',
      about: '',
      findings: told(findings.get(id) ?? []),
    }));
    const proof = await proofOfBook(bytes, kind, source);
    return {
      name,
      kind,
      title: held.book.title,
      proof,
      links: [
        ...(proof ? provedLinks(proof) : []),
        // Ids are of the file as it was read now: they lead nowhere in the book.
        ...judged.map((link) => ({ ...link, id: '', chapter: '' })),
        ...held.looks.map((look): ProvedLink => ({
          ...look,
          state: 'looks',
          id: '',
          chapter: '',
          about: '',
          findings: [],
        })),
      ],
    };
  },
);

const told = (findings: readonly Finding[]): ProvedLink['findings'] =>
  findings.map(({ rule, severity, message }) => ({ rule, severity, message }));

function kindOf(bytes: Uint8Array, name: string): Kind {
  if (isPdf(bytes)) return 'pdf';
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    const head = Buffer.from(bytes.subarray(0, 120)).toString('latin1');
    if (head.includes('application/epub+zip') || /\.epub$/i.test(name)) return 'epub';
  } else if (/<(?:!doctype html|html|body|head)\b/i.test(Buffer.from(bytes.subarray(0, 4096)).toString()))
    return 'web';
  throw new WorkRefusal(
    'This file is no PDF, e-book (EPUB) or web page (HTML). Choose one of these; a manuscript is brought in from the Library.',
  );
}

/** An e-book or a web page, as it would come into the Library. */
function textIn(bytes: Uint8Array, name: string): Held {
  const { book, enclosures } = bringIn({ name, bytes }, mint, { guessLanguage: guessedLanguage });
  const files = enclosures.map(({ id, name: called, type, bytes: own }): ShelfFile => ({
    ...{ id, name: called, type, claims: null, size: own.length, sha256: id, description: '' },
    ...{ opensFor: 'everyone', travels: 'inside', address: null },
  }));
  const read = readBook(book);
  const looks = read.chapters.flatMap(({ doc, title }) => {
    const found: Held['looks'] = [];
    doc.descendants((node) => {
      if (!node.isText || node.marks.some(({ type }) => type.name === 'link')) return true;
      for (const { start, end, destination } of addressesIn(node.text ?? ''))
        found.push({
          text: node.text?.slice(start, end) ?? '',
          href: hrefOf(destination),
          where: title,
        });
      return true;
    });
    return found;
  });
  return {
    book: read,
    surroundings: { files: new Map(files.map((file) => [file.id, file])), books: new Map() },
    looks,
  };
}

/** The pages of a PDF, with their links. */
async function pagesIn(bytes: Uint8Array, password: string): Promise<Held> {
  const file = await openGround(bytes, password);
  const pdf = await Pdfium.open(bytes, password);
  let texts: PageText[] = [];
  try {
    texts = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  } finally {
    pdf.close();
  }
  const { doc, title, author, language } = readGround(file, (index) => texts[index] ?? NO_TEXT);
  const { tagged } = file;
  const book: Book = {
    ...{ id: '', title, subtitle: '', author, language: language || 'en', description: '' },
    ...{ look: DEFAULT_LOOK, structure: DEFAULT_STRUCTURE },
    ground: {
      ...{ sha256: '', name: '', size: bytes.length, pages: file.pages.length, tagged, signed: file.signed },
      ...{ certified: null, forbidden: [], password: null, cannotAdd: null },
    },
    chapters: [{ id: 'pages', title, matter: 'main', leftOutOf: [], doc }],
  };
  const read = readBook(book);
  const pages = pagesOf(read.chapters[0]!.doc).map(({ attrs }) => attrs);
  const looks = oughtToBeLinks({ language: book.language, pages, texts, entries: [] })
    .filter(({ kind, destination }) => (kind === 'address' || kind === 'overlaid') && destination)
    .map(({ words, destination, page }) => ({
      text: words,
      href: destination ? hrefOf(destination) : '',
      where: `page ${page}`,
    }));
  return { book: read, surroundings: { files: new Map(), books: new Map() }, looks };
}

/** On which page of a PDF each link lies, in words; of other files nothing. */
function pagesOfLinks({ chapters: [chapter] }: ReadBook): Map<string, string> {
  const pages = chapter && isOfPages(chapter.doc) ? pagesOf(chapter.doc) : [];
  return new Map(
    pages.flatMap(({ attrs }) =>
      attrs.areas.map(({ id }): [string, string] => [id, `page ${pageName(attrs)}`]),
    ),
  );
}

/** The proof against the book, if the file was made of it; else `null`. */
async function proofOfBook(bytes: Uint8Array, kind: Kind, source: BookSource): Promise<Proof | null> {
  if (source.ground) return null;
  const book = manuscriptFrom(source);
  const edition = editionOf(readBook(book), [], kind, surroundingsOf(book));
  const expected = expectedLinks(edition);
  const beside = new Set(filesBeside(edition).map(([path]) => path));
  const found = await readBack(bytes, kind, beside).catch(() => null);
  if (!found || expected.length === 0) return null;
  const proof = prove(expected, found);
  if (proof.found + proof.changed.length < expected.length * STEMS) return null;
  // What a reference to a page reads is known only to whoever set the pages.
  const changed = proof.changed.filter(({ change, text }) => change !== 'words' || !text.includes('…'));
  return { ...proof, found: proof.found + proof.changed.length - changed.length, changed, added: [] };
}

/** @param beside paths of files that readers get next to it */
async function readBack(
  bytes: Uint8Array,
  kind: Kind,
  beside: ReadonlySet<string>,
): Promise<readonly FoundLink[]> {
  if (kind === 'epub') return linksInEpub(bytes);
  if (kind === 'web') return linksInWebPage(bytes, beside);
  return (await linksInPdf(bytes)).links;
}

/** What of the book is not in the file as it should be. */
function provedLinks({ lost, changed }: Proof): ProvedLink[] {
  return [
    ...lost.map(({ id, href, text, chapter }): ProvedLink => ({
      ...{ state: 'lost', id, chapter, href, text, where: '', about: '', findings: [] },
    })),
    ...changed.map(({ id, href, text, chapter, where, change, foundHref, foundText }): ProvedLink => ({
      ...{ state: 'changed', id, chapter, href, text, where, findings: [] },
      about: ABOUT[change](foundHref, foundText),
    })),
  ];
}

const ABOUT: Record<Proof['changed'][number]['change'], (href: string, text: string) => string> = {
  address: (href) => `leads to ${href}`,
  words: (_, text) => `reads “${text}”`,
  target: () => 'does not land at its place',
  place: () => 'stands elsewhere',
  note: () => 'has not its hover note',
};
