import type { Destination } from '@vennet/core/destination';
import { schema } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { plainWords } from '../book.js';

const PARAGRAPHS = 200;
const WORDS = 100; // a paragraph

/** A chapter of 20,000 words with 400 links, 60 notes and 100 references to its 40 headings, the same at every run. */
export function fullChapter(): Node {
  const { nodes, marks } = schema;
  const blocks: Node[] = [nodes.heading.create({ level: 1, id: 'first' }, schema.text('A long chapter'))];
  for (let number = 0; number < PARAGRAPHS; number++) {
    if (number % 5 === 0)
      blocks.push(nodes.heading.create({ level: 2, id: `h${number / 5}` }, schema.text(`Part ${number}`)));
    const plain = (part: number, count: number) => schema.text(`${plainWords(number, part, count)} `);
    const link = (index: number) => {
      const destination = { kind: 'web', href: `https://h${index}.example/page/${number}` };
      return schema.text('page', [marks.link.create({ id: `l${number}-${index}`, destination })]);
    };
    const content = [plain(0, WORDS / 4), link(1), plain(1, WORDS / 4), link(2), plain(2, WORDS / 4)];
    if (number % 2 === 0)
      content.push(
        nodes.reference.create({
          id: `r${number}`,
          place: `h${(number * 7) % (PARAGRAPHS / 5)}`,
          form: 'number-words',
        }),
      );
    content.push(plain(3, WORDS / 4));
    if (number % 10 < 3)
      content.push(nodes.note.create({ id: `n${number}` }, nodes.note_paragraph.create(null, plain(4, 12))));
    blocks.push(nodes.paragraph.create(null, content));
  }
  const doc = nodes.doc.create(null, blocks);
  doc.check();
  return doc;
}

const CHAPTERS = 40;
const SECTIONS = 50; // a chapter

/** A book of 200,000 words with 2,000 sections, each of which leads to another and to a web page. */
export function fullBook(): Node[] {
  const { nodes, marks } = schema;
  return Array.from({ length: CHAPTERS }, (_chapter, chapter) => {
    const blocks = [nodes.heading.create({ level: 1, id: `c${chapter}` }, schema.text(`Chapter ${chapter}`))];
    for (let section = 0; section < SECTIONS; section++) {
      const number = chapter * SECTIONS + section;
      const other = (number * 197 + 91) % (CHAPTERS * SECTIONS);
      const linked = (words: string, id: string, destination: Destination) =>
        schema.text(words, [marks.link.create({ id, destination })]);
      blocks.push(
        nodes.heading.create({ level: 2, id: `s${number}` }, schema.text(`Section ${number}`)),
        nodes.paragraph.create(null, [
          schema.text(`${plainWords(number, 0, WORDS / 2)} `),
          linked(`section ${other}`, `p${number}`, { kind: 'place', place: `s${other}` }),
          schema.text(` ${plainWords(number, 1, WORDS / 2)} `),
          linked(`page ${number}`, `w${number}`, {
            kind: 'web',
            href: `https://h${number % 50}.example/${number}`,
          }),
        ]),
      );
    }
    const doc = nodes.doc.create(null, blocks);
    doc.check();
    return doc;
  });
}
