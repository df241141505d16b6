import { strFromU8, unzipSync } from 'fflate';
import { expect, test } from '@jest/globals';
import { schema } from '../manuscript/index.js';
import { bookOf, heading, linked, paragraph } from '../testing/books.js';
import { editionOf, makeEpub, makeWebPage, typesetBook } from './index.js';

const book = {
  ...bookOf([
    heading(1, 'המנורה'),
    paragraph('האור דולק, ', linked('לוח הגאות', 'https://tides.example/')),
    paragraph('An English paragraph.'),
    schema.node('code_block', null, [schema.text('lamp = on')]),
    paragraph(
      'עם ',
      schema.text('lamp', [schema.marks.code.create()]),
      schema.text('an English passage', [schema.marks.language.create({ tag: 'en' })]),
    ),
  ]),
  language: 'he',
};

test('a book from right to left says so in every form, and what runs otherwise in it too', () => {
  const files = unzipSync(makeEpub(editionOf(book, [], 'epub'), { modified: new Date(0) }));
  expect(strFromU8(files['EPUB/package.opf']!)).toContain('<spine page-progression-direction="rtl">');
  const web = new TextDecoder().decode(makeWebPage(editionOf(book, [], 'web')));
  for (const page of [strFromU8(files['EPUB/chapter-001.xhtml']!), web]) {
    expect(page).toMatch(/<html[^>]* lang="he"[^>]* dir="rtl">/);
    expect(page).toContain('<p dir="ltr">An English paragraph.</p>');
    expect(page).toContain('<pre dir="ltr"><code>lamp = on</code></pre>');
    expect(page).toContain('<code dir="ltr">lamp</code>');
    expect(page).toMatch(/<span lang="en"(?: xml:lang="en")? dir="ltr">an English passage<\/span>/);
    expect(page).toMatch(/<h\d(?: id="[^"]*")?>המנורה</);
  }
  const [chapter] = typesetBook(editionOf(book, [], 'pdf'), new Map()).chapters;
  expect(chapter!.blocks.map(({ t, dir }) => [t, dir])).toEqual([
    ['h', undefined],
    ['p', undefined],
    ['p', 'ltr'],
    ['code', 'ltr'],
    ['p', undefined],
  ]);
});

test('a book from left to right says nothing of it but where words run otherwise', () => {
  const plain = bookOf([heading(1, 'Lamps'), paragraph('They burn.'), paragraph('המנורה')]);
  const web = new TextDecoder().decode(makeWebPage(editionOf(plain, [], 'web')));
  expect(web.match(/dir="[a-z]+"/g)).toEqual(['dir="rtl"']);
});
