import { findMentions } from '@vennet/core/repair';
import { schema } from '@vennet/core/manuscript';
import { generatedBook } from './book.js';
import { best, line } from './floor.js';

/** Finding 10,000 mentions in 100,000 words, against a plain search of the same text by a regular expression. */
export async function benchMentions(): Promise<void> {
  const plain = generatedBook(90_000, 0);
  // Every eighth word or so is one that is looked for.
  const chapters = plain.chapters.map((chapter) => ({
    ...chapter,
    doc: schema.node(
      'doc',
      null,
      chapter.doc.children.map((block) =>
        block.type.name === 'paragraph'
          ? schema.node('paragraph', null, [
              schema.text(block.textContent.replace(/((?:\S+ ){7}\S+) /g, '$1 lighthouse ')),
            ])
          : block,
      ),
    ),
  }));
  const book = { ...plain, chapters };
  const search = {
    words: 'lighthouse',
    matchCase: false,
    chapters: null,
    headings: false,
    code: false,
    firstOnly: false,
  };
  const found = findMentions(book, search).length;
  const time = await best(5, () => findMentions(book, search));
  const floor = await best(5, () =>
    chapters.map(({ doc }) => [...doc.textBetween(0, doc.content.size, '\n').matchAll(/\blighthouse\b/giu)]),
  );
  line(
    `${found.toLocaleString('en')} mentions in 100,000 words`,
    time,
    'a regular expression on the same text',
    floor,
    null,
  );
  console.log(`  ${time < 1000 ? 'under' : 'OVER'} a second, which is the bar`);
}
