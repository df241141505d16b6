import { describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { JSDOM } from 'jsdom';
import { CONTENTS } from '../../manuscript/index.js';
import { linksInWebPage, linksInWebSite, prove } from '../../readback/index.js';
import { structured, wholeBook, wholeBookPictures, wholeBookSurroundings } from '../../testing/index.js';
import { bookOf, heading, linked, paragraph } from '../../testing/books.js';
import {
  computedLinks,
  DEFAULT_FORMS,
  editionOf,
  expectedLinks,
  makeEpub,
  makeWebPage,
  makeWebSite,
  type FlowChoices,
} from '../index.js';

const MODIFIED = { modified: new Date('2026-11-29T00:00:00Z') };
const flow = (more: Partial<FlowChoices>): FlowChoices => ({ ...DEFAULT_FORMS.web, ...more });

describe('a web page for each chapter', () => {
  test.each(['page', 'book'] as const)('has every link of the book, with notes after the %s', (stand) => {
    const book = structured(wholeBook(), { notes: { ...wholeBook().structure.notes, stand } });
    const edition = editionOf(book, wholeBookPictures, 'web', wholeBookSurroundings, {
      flow: flow({ split: 'chapters' }),
    });
    const bytes = makeWebSite(edition, MODIFIED);
    const proof = prove(expectedLinks(edition), linksInWebSite(bytes), computedLinks(edition));
    expect(proof.changed).toEqual([]);
    expect(proof.lost.map(({ href }) => href)).toEqual(
      prove(
        expectedLinks(editionOf(book, wholeBookPictures, 'web', wholeBookSurroundings)),
        linksInWebPage(
          makeWebPage(editionOf(book, wholeBookPictures, 'web', wholeBookSurroundings)),
          new Set([...edition.paths.values()]),
        ),
      ).lost.map(({ href }) => href),
    );
    expect(proof.computed.found).toBe(proof.computed.expected);
    // The same book gives the same bytes.
    expect(makeWebSite(edition, MODIFIED)).toEqual(bytes);
  });

  test('leads to the one before, the one after, the contents, and past them to the text', () => {
    const book = bookOf(...['Ebb', 'Flood', 'Slack'].map((title) => [heading(1, title), paragraph('Low.')]));
    const edition = editionOf(book, [], 'web', undefined, { flow: flow({ split: 'chapters' }) });
    const files = unzipSync(makeWebSite(edition, MODIFIED));
    expect(Object.keys(files).sort()).toEqual([
      'book.css',
      'chapter-001.html',
      'chapter-002.html',
      'chapter-003.html',
      'index.html',
    ]);
    const { document } = new JSDOM(strFromU8(files['chapter-002.html']!)).window;
    const ways = [...document.querySelectorAll('.ways')].map((nav) =>
      [...nav.querySelectorAll('a')].map((way) => [way.getAttribute('href'), way.getAttribute('aria-label')]),
    );
    const each = [
      ['chapter-001.html', 'Previous: Chapter 1'],
      [`index.html#${CONTENTS}`, null],
      ['chapter-003.html', 'Next: Chapter 3'],
    ];
    expect(ways).toEqual([each, each]);
    const [first] = document.querySelectorAll('a');
    expect(document.querySelector(first!.getAttribute('href')!)?.tagName).toBe('MAIN');
  });
});

describe('choices of a form without pages', () => {
  const toWeb = (href: string) => ({ kind: 'web' as const, href });
  const book = bookOf([
    heading(1, 'Tides', 'tides'),
    paragraph(
      linked('the table', toWeb('https://tides.example/low')),
      ' and ',
      linked('again', toWeb('https://tides.example/low')),
      ' and ',
      linked('the lamp', toWeb('https://lamp.example/')),
    ),
  ]);
  const seen = new Map([
    ['https://tides.example/low', { title: 'Low water', seenAt: '2026-11-03T10:00:00Z' }],
  ]);

  test('list the sources, each once: title or words, site, and the day it was seen', () => {
    const edition = editionOf(book, [], 'web', undefined, { flow: flow({ sources: true }), seen });
    const page = makeWebPage(edition);
    const { document } = new JSDOM(strFromU8(page)).window;
    const items = [...document.querySelectorAll('section:last-of-type li')].map((item) => item.textContent);
    expect(items).toEqual(['Low water, tides.example (seen on November 3, 2026)', 'the lamp, lamp.example']);
    // They are Vennet's own, and proved as such.
    const proof = prove(expectedLinks(edition), linksInWebPage(page), computedLinks(edition));
    expect(proof).toMatchObject({ expected: 3, found: 3, computed: { expected: 2, found: 2 }, added: [] });
  });

  test('are in the style sheet of an e-book, and nothing of them where nothing was chosen', () => {
    const style = (more: Partial<FlowChoices>) => {
      const edition = editionOf(book, [], 'epub', undefined, { flow: flow({ face: 'reader', ...more }) });
      return strFromU8(unzipSync(makeEpub(edition, MODIFIED))['EPUB/book.css']!);
    };
    expect(style({})).not.toMatch(/font-family|justify|text-indent: 1/);
    const chosen = style({ face: 'sans', edge: 'justified', paragraphs: 'indented', hyphens: true });
    expect(chosen).toMatch(/font-family: system-ui/);
    expect(chosen).toMatch(/text-align: justify/);
    expect(chosen).toMatch(/p \+ p \{ text-indent/);
    expect(chosen).toMatch(/hyphens: auto/);
  });
});
