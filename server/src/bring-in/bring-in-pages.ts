import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import type { BringInSource } from '@vennet/core/bring-in';
import { NO_TEXT, type PageText } from '@vennet/core/ground';
import { GroundError, openGround, readGround, readText } from '@vennet/core/ground/file';
import { languageTold } from '@vennet/core/language';
import { DEFAULT_LOOK, DEFAULT_STRUCTURE } from '@vennet/core/manuscript';
import { Pdfium } from '@vennet/core/pdfium';
import { newChapter } from '../books/chapter-text.js';
import { mint } from '../platform/mint.js';
import { sha256 } from '../platform/sha256.js';
import type { Brought, Reading } from './brought.js';
import { guessedLanguage } from '../platform/guessed-language.js';

/** How many words of the file tell its language, in UTF-16 units. */
const SAMPLE = 20_000;

/**
 * Makes a book of the pages of a finished file; the words of its pages are written beside it, since there may be many.
 *
 * @throws GroundError
 */
export async function bringInPages(
  { bytes, name }: BringInSource,
  path: string,
  password: string | null,
  tell: (reading: Reading) => void,
): Promise<Brought> {
  const hash = sha256(bytes);
  const file = await openGround(bytes, password);
  const total = file.pages.length;
  const pages = `${path}.pages`;
  const out = createWriteStream(pages);
  // Links need the words under them; of pages without links nothing is held.
  const texts = new Map<number, PageText>();
  let sample = '';
  const pdf = await Pdfium.open(bytes, password ?? '').catch(() => {
    throw new GroundError(
      'unreadable',
      'This file is damaged: its pages can’t be read. Download it again, or make it anew from the program that it comes from.',
    );
  });
  try {
    for (const [index, { dict, frame }] of file.pages.entries()) {
      const text = readText(pdf, index + 1, frame);
      if (dict.has('Annots')) texts.set(index, text);
      if (sample.length < SAMPLE)
        sample += `${text.lines
          .flat()
          .map((piece) => piece.text)
          .join('')}\n`;
      if (!out.write(`${JSON.stringify(text)}\n`)) await once(out, 'drain');
      tell({ stage: 'Reading the pages', done: index + 1, total });
    }
  } finally {
    pdf.close();
  }
  out.end();
  await once(out, 'finish');
  const { doc, title, author, language, report } = readGround(file, (index) => texts.get(index) ?? NO_TEXT);
  const called = title || name.replace(/\.pdf$/i, '') || 'A PDF';
  const { tagged, signed, certified, forbidden, cannotAdd } = file;
  return {
    book: {
      id: '',
      title: called.slice(0, LONGEST_TITLE),
      subtitle: '',
      author: author.slice(0, LONGEST_TITLE),
      language: languageTold(language) ?? guessedLanguage(sample) ?? 'en',
      description: '',
      look: DEFAULT_LOOK,
      structure: DEFAULT_STRUCTURE,
      ground: {
        sha256: hash,
        name,
        size: bytes.length,
        pages: total,
        tagged,
        signed,
        certified,
        forbidden,
        password,
        cannotAdd,
      },
    },
    chapters: [newChapter({ id: mint(), title: called, matter: 'main', doc })],
    enclosures: [],
    report,
    pages,
  };
}

/** In UTF-16 units: as much as the Library takes. */
const LONGEST_TITLE = 300;
