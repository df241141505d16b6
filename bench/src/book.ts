import {
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  readBook,
  schema,
  type Book,
  type ReadBook,
} from '@vennet/core/manuscript';

const WORDS =
  'the lamp was lit at five and wind stood in north until seal had gone from landing place where boats lie on their sides at low water'.split(
    ' ',
  );

/** Made-up words, the same at every run. */
export const plainWords = (paragraph: number, part: number, count: number): string =>
  Array.from(
    { length: count },
    (_, index) => WORDS[(paragraph * 7 + part * 3 + index * (1 + (index % 5))) % WORDS.length],
  ).join(' ');

/** A made-up book of so many words and links, the same at every run: paragraphs of a hundred words in chapters of fifty. */
export function generatedBook(words: number, links: number): ReadBook {
  const paragraphs = Math.ceil(words / 100);
  const perParagraph = links / paragraphs;
  const chapters: Book['chapters'] = [];
  let made = 0;
  for (let first = 0; first < paragraphs; first += 50) {
    const blocks = [schema.node('heading', { level: 1 }, [schema.text(`Chapter ${first / 50 + 1}`)])];
    for (let number = first; number < Math.min(first + 50, paragraphs); number++) {
      const due = Math.round((number + 1) * perParagraph) - made;
      const content = [];
      for (let part = 0; part <= due; part++) {
        const count = Math.floor(100 / (due + 1));
        content.push(schema.text(`${plainWords(number, part, count)} `));
        if (part === due) break;
        const destination = { kind: 'web', href: `https://h${made % 100}.example/page/${made}` };
        const mark = schema.marks.link.create({ id: `l${made++}`, destination });
        content.push(schema.text(`page ${made}`, [mark]), schema.text(' '));
      }
      blocks.push(schema.node('paragraph', null, content));
    }
    const title = `Chapter ${first / 50 + 1}`;
    chapters.push({
      id: `c${first}`,
      title,
      matter: 'main',
      leftOutOf: [],
      doc: schema.node('doc', null, blocks).toJSON() as object,
    });
  }
  return readBook({
    id: '6ba7b810-9dad-41d1-80b4-00c04fd430c8',
    title: 'A generated book',
    subtitle: '',
    author: 'Bench',
    language: 'en',
    description: '',
    look: DEFAULT_LOOK,
    structure: DEFAULT_STRUCTURE,
    chapters,
  });
}
