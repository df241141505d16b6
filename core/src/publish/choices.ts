/** Sizes of pages, in mm; of devices with electronic ink the size of their screens (common practice, from memory). */
export const PAGE_SIZES = {
  a4: { width: 210, height: 297 },
  a5: { width: 148, height: 210 },
  letter: { width: 215.9, height: 279.4 },
  '6x9': { width: 152.4, height: 228.6 },
  '5.5x8.5': { width: 139.7, height: 215.9 },
  'eink-6': { width: 90.6, height: 122.4 },
  'eink-7.8': { width: 118.9, height: 158.5 },
  'eink-10.3': { width: 157.2, height: 209.6 },
} as const;

export const PAGES = [...(Object.keys(PAGE_SIZES) as (keyof typeof PAGE_SIZES)[]), 'own'] as const;
export const FACES = ['serif', 'sans'] as const;
export const EDGES = ['justified', 'ragged'] as const;
export const HEADS = ['none', 'title', 'chapter'] as const;
export const NUMBERS = ['foot', 'head', 'none'] as const;
export const FRONTS = ['roman', 'none'] as const;
export const BEGINNINGS = ['any', 'right'] as const;
export const INKS = ['colour', 'grey'] as const;
export const ADDRESSES = ['none', 'foot', 'list', 'qr'] as const;

/** How the pages of a PDF are set. */
export interface PdfChoices {
  page: (typeof PAGES)[number];
  /** Of a page of one's own, in mm. */
  width: number;
  height: number;
  /** Margins in mm; the inner one is at the spine. */
  inner: number;
  outer: number;
  top: number;
  bottom: number;
  face: (typeof FACES)[number];
  /** Of the type, in points. */
  size: number;
  /** From one line to the next, in sizes of the type. */
  lineHeight: number;
  edge: (typeof EDGES)[number];
  hyphens: boolean;
  /** The first or the last line of a paragraph may stand alone on a page. */
  widows: boolean;
  /** What stands above each page: nothing, the title of the book, or that of its chapter. */
  head: (typeof HEADS)[number];
  /** A way back to the contents stands at the foot of each page. */
  back: boolean;
  numbers: (typeof NUMBERS)[number];
  /** How pages before the first chapter of the text are counted. */
  front: (typeof FRONTS)[number];
  /** On which pages chapters begin. */
  chapters: (typeof BEGINNINGS)[number];
  ink: (typeof INKS)[number];
  /** Where the addresses of links to the web and to email are printed. */
  addresses: (typeof ADDRESSES)[number];
  /** The links that get a code: by their ids, or all of one look by what it is called; empty for every link. */
  codesFor: string[];
  /** A list of the pages of the web that the book leads to stands at its end. */
  sources: boolean;
  /** Other books without an address lie beside it, and links lead to them there. */
  companions: boolean;
}

/** How pages are set as long as nothing else was chosen. */
export const DEFAULT_PDF: PdfChoices = {
  page: 'a5',
  ...PAGE_SIZES.a5,
  inner: 20,
  outer: 17,
  top: 18,
  bottom: 20,
  face: 'serif',
  size: 10.5,
  lineHeight: 1.33,
  edge: 'justified',
  hyphens: true,
  widows: false,
  head: 'none',
  back: false,
  numbers: 'foot',
  front: 'none',
  chapters: 'any',
  ink: 'colour',
  addresses: 'none',
  codesFor: [],
  sources: false,
  companions: false,
};

/** What numbers may be, from and to. */
export const PDF_BOUNDS = {
  width: [60, 600],
  height: [80, 800],
  inner: [4, 80],
  outer: [4, 80],
  top: [4, 80],
  bottom: [4, 80],
  size: [6, 24],
  lineHeight: [1.1, 2.4],
} as const satisfies Partial<Record<keyof PdfChoices, readonly [number, number]>>;

/** The least that text has of a page, in mm. */
const LEAST = { width: 45, height: 60 };

/** What a code in the margin needs of it, in mm: 13 mm for itself, as phones read it, and space on both sides (common practice). */
export const QR_MARGIN = 17;

/** The size of the pages that choices ask for, in mm. */
export const pageSize = ({ page, width, height }: PdfChoices): { width: number; height: number } =>
  page === 'own' ? { width, height } : PAGE_SIZES[page];

/** Why pages can't be set so, for the author; `null` where they can. */
export function faultInPdfChoices(choices: PdfChoices): string | null {
  const { width, height } = pageSize(choices);
  const { inner, outer, top, bottom, numbers, head, back } = choices;
  if (width - inner - outer < LEAST.width)
    return `The margins leave ${Math.max(0, width - inner - outer).toFixed(0)} mm of the page’s width for its text. Make them smaller, or the page wider: ${LEAST.width} mm are needed.`;
  if (height - top - bottom < LEAST.height)
    return `The margins leave ${Math.max(0, height - top - bottom).toFixed(0)} mm of the page’s height for its text. Make them smaller, or the page higher: ${LEAST.height} mm are needed.`;
  const above = head !== 'none' || numbers === 'head';
  if (above && top < 10)
    return 'What stands above the text needs an upper margin of 10 mm. Make it larger, or leave the head out.';
  if (choices.addresses === 'qr' && outer < QR_MARGIN)
    return `QR codes stand in the outer margin and need ${QR_MARGIN} mm of it. Make it wider, or print the addresses at the foot.`;
  if ((numbers === 'foot' || back) && bottom < 10)
    return 'What stands below the text needs a lower margin of 10 mm. Make it larger, or leave it out.';
  return null;
}

/** A set of choices with a name, such as “For print”. */
export interface PdfSet {
  id: string;
  name: string;
  choices: PdfChoices;
}
