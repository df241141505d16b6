import { counted } from '../../language/index.js';

/** What is counted of a file that is brought in, with the name of a single one. */
const ONE = {
  bookmarks: 'bookmark',
  canvases: 'canvas',
  chapters: 'chapter',
  comments: 'comment',
  covers: 'cover',
  descriptions: 'description',
  'details of the book': 'detail of the book',
  'directions of text': 'direction of text',
  'decorated words': 'decorated word',
  'email links': 'email link',
  'entries of the outline': 'entry of the outline',
  'embedded objects': 'embedded object',
  'file links': 'file link',
  'form fields': 'form field',
  forms: 'form',
  formulas: 'formula',
  frames: 'frame',
  headings: 'heading',
  'headers and footers': 'header or footer',
  ids: 'id',
  links: 'link',
  'links inside the book': 'link inside the book',
  'links that lead nowhere': 'link that leads nowhere',
  'links to other files': 'link to another file',
  'languages of the book': 'language of the book',
  'languages of pages': 'language of a page',
  'languages of passages': 'language of a passage',
  'links to other books': 'link to another book',
  'styles of links': 'style of a link',
  'list items': 'list item',
  lists: 'list',
  'lists of contents': 'list of contents',
  'lists of terms': 'list of terms',
  'rooms to write': 'room to write',
  macros: 'macro',
  'marks of notes': 'mark of a note',
  'named spots': 'named spot',
  notes: 'note',
  figures: 'figure',
  pages: 'page',
  'pages of contents': 'page of contents',
  paragraphs: 'paragraph',
  'parts of pictures': 'part of a picture',
  'parts of the text': 'part of the text',
  'parts of pictures that are links': 'part of a picture that is a link',
  'passages of code': 'passage of code',
  pictures: 'picture',
  'places of pictures': 'place of a picture',
  quotations: 'quotation',
  readings: 'reading',
  references: 'reference',
  'sizes of pictures': 'size of a picture',
  sounds: 'sound',
  tables: 'table',
  'text boxes': 'text box',
  'tracked changes': 'tracked change',
  videos: 'video',
  'web links': 'web link',
  words: 'word',
} as const;

export type Counted = keyof typeof ONE;

/** One line of the report: what, how many, and why it is not as it was. */
export interface ReportLine {
  what: string;
  count: number;
  why?: string;
}

/** How many of what a line of the report tells of: `1 list of contents`, `1,200 words`. */
export const reportWords = ({ what, count }: Pick<ReportLine, 'what' | 'count'>): string =>
  counted(count, ONE[what as Counted] ?? what, what);

/** What became of a file that was brought in. */
export interface BringInReport {
  kept: ReportLine[];
  changed: ReportLine[];
  leftOut: ReportLine[];
}

/** Counts while a file is read; one line for each pair of what and why. */
export class Tally {
  readonly #lines = {
    kept: new Map<string, ReportLine>(),
    changed: new Map<string, ReportLine>(),
    leftOut: new Map<string, ReportLine>(),
  };

  add(column: keyof BringInReport, what: Counted, why?: string, count = 1): void {
    if (count === 0) return;
    const key = `${what}\n${why ?? ''}`;
    const line = this.#lines[column].get(key);
    if (line) line.count += count;
    else this.#lines[column].set(key, { what, count, ...(why ? { why } : {}) });
  }

  report(): BringInReport {
    const sorted = (lines: Map<string, ReportLine>) => [...lines.values()].sort((a, b) => b.count - a.count);
    return {
      kept: sorted(this.#lines.kept),
      changed: sorted(this.#lines.changed),
      leftOut: sorted(this.#lines.leftOut),
    };
  }
}
