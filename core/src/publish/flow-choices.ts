import type { Format } from '../manuscript/index.js';
import type { EDGES } from './choices.js';

/** Faces of the text: the one that the reader's program is set to, or one of theirs of this kind. */
export const FLOW_FACES = ['reader', 'serif', 'sans'] as const;
export const PARAGRAPHS = ['spaced', 'indented'] as const;
export const SPLITS = ['one', 'chapters'] as const;
export const WINDOWS = ['told', 'marked'] as const;

/** How a form without pages of its own is made. What a form has no use for, it passes over. */
export interface FlowChoices {
  face: (typeof FLOW_FACES)[number];
  edge: (typeof EDGES)[number];
  paragraphs: (typeof PARAGRAPHS)[number];
  hyphens: boolean;
  /** A list of the pages of the web that the book leads to stands at its end. */
  sources: boolean;
  /** Of an e-book: the set of choices of a PDF whose pages it lists, by its id; empty for none. */
  pageSet: string;
  /** Of a web page: all of the book on one, or each chapter on its own. */
  split: (typeof SPLITS)[number];
  /** Of a web page: whether a link that opens a window is told to screen readers only, or bears a sign too. */
  windows: (typeof WINDOWS)[number];
  /** Other books without an address lie beside it, and links lead to them there. */
  companions: boolean;
}

/** Forms without pages of their own. */
export type FlowFormat = Exclude<Format, 'pdf'>;
export const FLOW_FORMATS = [
  'epub',
  'web',
  'docx',
  'odt',
  'markdown',
] as const satisfies readonly FlowFormat[];

const DEFAULT_FLOW: FlowChoices = {
  face: 'reader',
  edge: 'ragged',
  paragraphs: 'spaced',
  hyphens: false,
  sources: false,
  pageSet: '',
  split: 'one',
  windows: 'told',
  companions: false,
};

/** What was chosen for each form of a book. */
export type FormChoices = Record<FlowFormat, FlowChoices>;

/** How forms are made as long as nothing else was chosen. A reading program has a face of its reader's; a browser seldom has. */
export const DEFAULT_FORMS: FormChoices = {
  epub: DEFAULT_FLOW,
  web: { ...DEFAULT_FLOW, face: 'serif' },
  docx: DEFAULT_FLOW,
  odt: DEFAULT_FLOW,
  markdown: DEFAULT_FLOW,
};

const TEXT = ['face', 'edge', 'paragraphs', 'hyphens', 'sources'] as const;

/** The choices that a form has a use for. */
export const FLOW_USES: Readonly<Record<FlowFormat, readonly (keyof FlowChoices)[]>> = {
  epub: [...TEXT, 'pageSet'],
  web: [...TEXT, 'split', 'windows', 'companions'],
  docx: ['sources'],
  odt: ['sources'],
  markdown: ['sources'],
};
