import { describe, expect, test } from '@jest/globals';
import { computeAccessibleName } from 'dom-accessibility-api';
import { JSDOM } from 'jsdom';
import { DOMSerializer } from 'prosemirror-model';
import { schema } from '../manuscript/index.js';
import { NO_SURROUNDINGS } from '../shelf/index.js';
import { linked, linkWith, paragraph, web } from '../testing/books.js';
import { shelfFile } from '../testing/shelf.js';
import { accessibleName, heardAs, nameInFile } from './index.js';

const ENGLISH = { ...NO_SURROUNDINGS, language: 'en' };
const PAGE = 'https://lamp-trust.example/tides';

describe('what a screen reader says', () => {
  test.each([
    ['Tide table', 'text', 'link, Tide table'],
    ['  Tide\n table ', 'text', 'link, Tide table'],
    ['A chart', 'picture', 'link, picture, A chart'],
    ['', 'text', 'link, without a name'],
  ] as const)('at %j it is heard', (text, carrier, words) =>
    expect(heardAs({ text, carrier, kind: 'web', destination: web(PAGE) }, ENGLISH)).toBe(words),
  );

  // dom-accessibility-api is the reference for the accessible name (accname 1.2).
  test('names a link as the reference library does', () => {
    const { document } = new JSDOM('').window;
    const link = schema.marks.link.create({ id: 'n', destination: web(PAGE) });
    const picture = schema.node('picture', { enclosure: 'e', alt: 'A chart' }, undefined, [link]);
    const blocks = [linked('Tide table', PAGE), linked(' the  tides ', PAGE), picture].map((node) =>
      paragraph(node),
    );
    for (const block of blocks) {
      const element = DOMSerializer.fromSchema(schema).serializeNode(block, { document }) as HTMLElement;
      const text = block.firstChild?.isText ? block.textContent : 'A chart';
      expect(accessibleName({ text })).toBe(computeAccessibleName(element.querySelector('a')!));
    }
  });
});

describe('a link to a file', () => {
  const toFile = { kind: 'file' as const, enclosure: 'f1' };
  const told = (language: string) => ({
    files: new Map([['f1', shelfFile({ size: 240_000 })]]),
    books: new Map(),
    language,
  });

  test('is heard with its type and size, unless the text tells them', () => {
    expect(heardAs(linkWith('tide table for May', toFile), told('en'))).toBe(
      'link, tide table for May, PDF, 240 kB',
    );
    expect(heardAs(linkWith('tide table (PDF, 240 kB)', toFile), told('en'))).toBe(
      'link, tide table (PDF, 240 kB)',
    );
    // Only one of the two is told.
    expect(heardAs(linkWith('tide table (PDF)', toFile), told('en'))).toBe(
      'link, tide table (PDF), PDF, 240 kB',
    );
  });

  test('is named in a made file in the language of the book', () => {
    expect(nameInFile(linkWith('marées', toFile), told('fr-CA'))).toBe('marées, PDF, 240 ko');
    expect(nameInFile(linkWith('', toFile), told('fr-CA'))).toBe('');
    expect(nameInFile(linkWith('a page', PAGE), told('fr-CA'))).toBe('a page');
  });
});
