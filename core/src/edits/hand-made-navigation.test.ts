import { describe, expect, test } from '@jest/globals';
import { faultInChapter, linksOf, mapOf, placesOf, schema, type ReadBook } from '../manuscript/index.js';
import { bookOf, counter, heading, linked, paragraph, place, structured } from '../testing/books.js';
import { DEFAULT_STRUCTURE } from '../manuscript/index.js';
import { handMadeNavigation, makeNavigation } from './index.js';

const list = (...lines: ReturnType<typeof paragraph>[]) =>
  schema.node(
    'bullet_list',
    null,
    lines.map((line) => schema.node('list_item', null, [line])),
  );
const told = (book: ReadBook) =>
  handMadeNavigation(book).map(({ becomes, words, sureness }) => [becomes, words, sureness]);
const all = (book: ReadBook): ReadBook => {
  const { chapters } = makeNavigation(
    book,
    new Set(handMadeNavigation(book).map(({ key }) => key)),
    counter('new'),
  );
  const docs = new Map(chapters.map(({ id, doc }) => [id, doc]));
  const made = {
    ...book,
    chapters: book.chapters.map((chapter) => ({ ...chapter, doc: docs.get(chapter.id) ?? chapter.doc })),
  };
  for (const { doc } of made.chapters) expect(faultInChapter(doc.toJSON() as object)).toBeNull();
  return made;
};
const decimal = (book: ReadBook) => structured(book, { ...DEFAULT_STRUCTURE, numbering: 'decimal' });

const tides = () => [
  heading(1, 'Contents', 'toc'),
  paragraph('Lamps ........ 3'),
  paragraph('Tides ........ 7'),
  paragraph('Deep water ... 12'),
];
const rest = () => [
  [
    heading(1, 'Lamps', 'lamps'),
    paragraph('As section 2.1 says, and page 12.'),
    paragraph(linked('Back to contents', place('toc'))),
  ],
  [
    heading(1, 'Tides', 'tides'),
    heading(2, 'Deep water', 'deep'),
    paragraph('See chapter 1, Figure 9 and chapter 12.'),
    paragraph(linked('↑', place('toc'))),
  ],
];

describe('navigation that was typed by hand', () => {
  test('is found: contents, ways back, numbers and pages, and nothing that only looks like it', () => {
    const book = decimal(bookOf(tides(), ...rest()));
    // The contents are the first section, the lamps the second, and there is neither a Figure 9 nor a chapter 12.
    expect(told(book)).toEqual([
      ['contents', 'Lamps ........ 3 Tides ........ 7 Deep water ... 12', 'sure'],
      ['reference', 'page 12', 'look'],
      ['return', 'Back to contents', 'sure'],
      ['reference', '1', 'sure'],
      ['return', '↑', 'sure'],
    ]);
  });

  test('becomes contents, return links and references in one go, with the author’s words', () => {
    const book = all(decimal(bookOf(tides(), ...rest())));
    const nodes: string[] = [];
    for (const { doc } of book.chapters)
      doc.descendants(({ type, attrs }) => {
        if (['contents', 'return_link', 'reference'].includes(type.name))
          nodes.push(
            `${type.name} ${String(attrs.to ?? attrs.form ?? attrs.scope)} ${String(attrs.own ?? '')}`.trim(),
          );
      });
    expect(nodes).toContain('contents book');
    expect(nodes).toContain('return_link contents Back to contents');
    expect(nodes).toContain('reference page');
    expect(handMadeNavigation(book).filter(({ becomes }) => becomes !== 'link')).toEqual([]);
    expect(
      linksOf(book, mapOf(book).say).every(
        ({ destination: to }) => to.kind !== 'place' || placesOf(book).has(to.place),
      ),
    ).toBe(true);
  });

  test('a number that is typed before a heading makes a link; a computed one a reference', () => {
    const typed = bookOf([
      heading(1, '1. Lamps', 'a'),
      paragraph('See section 2 for more.'),
      heading(1, '2. Tides', 'b'),
      paragraph('Words.'),
    ]);
    expect(told(typed)).toEqual([['link', 'section 2', 'likely']]);
    expect(linksOf(all(typed)).map(({ text, href }) => [text, href])).toEqual([['section 2', '#b']]);
    const computed = decimal(
      bookOf([
        heading(1, 'Lamps', 'a'),
        paragraph('See section 2 for more.'),
        heading(1, 'Tides', 'b'),
        paragraph('Words.'),
      ]),
    );
    expect(told(computed)).toEqual([['reference', '2', 'sure']]);
    const again = all(computed);
    expect(linksOf(again, mapOf(again).say).map(({ text }) => text)).toEqual(['2']);
  });

  test('a list of questions within a chapter is the contents of its section; one in another order is to be looked at', () => {
    const questions = ['What is a lamp?', 'Who trims it?', 'When is high water?'];
    const chapter = (asked: string[]) => [
      heading(1, 'Questions', 'q'),
      list(...asked.map((one) => paragraph(one))),
      ...questions.flatMap((one, index) => [heading(2, one, `q${index}`), paragraph('So.')]),
    ];
    const book = bookOf(chapter(questions), [heading(1, 'Other', 'o'), paragraph('Words.')]);
    expect(handMadeNavigation(book)).toMatchObject([
      { becomes: 'contents', scope: 'section', sureness: 'likely', lines: 3 },
    ]);
    const other = bookOf(chapter([...questions].reverse()), [heading(1, 'Other', 'o'), paragraph('Words.')]);
    expect(handMadeNavigation(other)).toMatchObject([
      { sureness: 'look', why: 'Its lines are in another order than the headings.' },
    ]);
  });

  test.each([
    ['de', 'Zurück zum Inhalt', 'Siehe Kapitel 2.'],
    ['fr', 'Retour au sommaire', 'Voir chapitre 2.'],
    ['nl', 'Terug naar de inhoud', 'Zie hoofdstuk 2.'],
  ])('is known in %s', (language, back, see) => {
    const book = {
      ...decimal(
        bookOf(
          [heading(1, 'Alpha', 'a'), paragraph(see), paragraph(linked(back, place('book-contents')))],
          [heading(1, 'Beta', 'b'), paragraph('x')],
        ),
      ),
      language,
    };
    expect(told(book)).toEqual([
      ['reference', '2', 'sure'],
      ['return', back, 'sure'],
    ]);
  });

  test('what was chosen and has changed since is passed over', () => {
    const book = decimal(bookOf(tides(), ...rest()));
    expect(makeNavigation(book, new Set(['c1 0 5 contents', 'none']), counter('new'))).toEqual({
      chapters: [],
      changed: 0,
    });
  });
});
