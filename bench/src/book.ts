import {
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  readBook,
  schema,
  type Book,
  type ReadBook,
} from '@vennet/core/manuscript';
import type { EnclosureFile } from '@vennet/core/publish';
import sharp from 'sharp';

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

/** How many more things than words and links a made-up book has, spread evenly. */
interface Rest {
  notes: number;
  /** Figures, of the pictures `picture-0`, `picture-1`, … */
  pictures: number;
}

/** A made-up book of so many words and links, the same at every run: paragraphs of a hundred words in chapters of fifty. */
export function generatedBook(
  words: number,
  links: number,
  { notes, pictures }: Rest = { notes: 0, pictures: 0 },
): ReadBook {
  const paragraphs = Math.ceil(words / 100);
  const linkDue = spread(links, paragraphs);
  const noteDue = spread(notes, paragraphs);
  const pictureDue = spread(pictures, paragraphs);
  const chapters: Book['chapters'] = [];
  let made = 0;
  for (let first = 0; first < paragraphs; first += 50) {
    const blocks = [schema.node('heading', { level: 1 }, [schema.text(`Chapter ${first / 50 + 1}`)])];
    for (let number = first; number < Math.min(first + 50, paragraphs); number++) {
      const due = linkDue(number).length;
      const content = [];
      for (let part = 0; part <= due; part++) {
        const count = Math.floor(100 / (due + 1));
        content.push(schema.text(`${plainWords(number, part, count)} `));
        if (part === due) break;
        const destination = { kind: 'web', href: `https://h${made % 100}.example/page/${made}` };
        const mark = schema.marks.link.create({ id: `l${made++}`, destination });
        content.push(schema.text(`page ${made}`, [mark]), schema.text(' '));
      }
      for (const note of noteDue(number)) {
        const remark = schema.node('note_paragraph', null, [schema.text(plainWords(note, 1, 20))]);
        content.push(schema.node('note', { id: `n${note}` }, [remark]));
      }
      blocks.push(schema.node('paragraph', null, content));
      for (const picture of pictureDue(number)) {
        const caption = schema.node('caption', null, [schema.text(plainWords(picture, 2, 8))]);
        blocks.push(
          schema.node('figure', { enclosure: `picture-${picture}`, alt: `Picture ${picture}` }, [caption]),
        );
      }
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

/** Which of so many things stand at each paragraph, where they stand evenly. */
function spread(count: number, paragraphs: number): (paragraph: number) => number[] {
  const before = (paragraph: number) => Math.round((paragraph * count) / paragraphs);
  return (paragraph) =>
    Array.from(
      { length: before(paragraph + 1) - before(paragraph) },
      (_, index) => before(paragraph) + index,
    );
}

/** So many made-up pictures of 800 by 600 points of colour, as photographs are kept. */
export function generatedPictures(count: number): Promise<EnclosureFile[]> {
  return Promise.all(
    Array.from({ length: count }, async (_, number) => {
      const [width, height, channels] = [800, 600, 3] as const;
      const pixels = Uint8Array.from({ length: width * height * channels }, (_, at) => {
        const [x, y] = [Math.floor(at / channels) % width, Math.floor(at / channels / width)];
        return 128 + 80 * Math.sin((x * (number + 3)) / 500) + 40 * Math.cos(y / 30) + ((at * 7919) % 7);
      });
      const jpeg = await sharp(pixels, { raw: { width, height, channels } }).jpeg().toBuffer();
      return {
        id: `picture-${number}`,
        name: `picture-${number}.jpg`,
        type: 'image/jpeg',
        bytes: new Uint8Array(jpeg),
      };
    }),
  );
}
