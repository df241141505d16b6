import type { Place, ReadChapter } from '../../manuscript/index.js';

/** A chapter on its way into the container. */
export interface EpubPage {
  chapter: ReadChapter;
  file: string;
  headings: Place[];
}

/** A page that comes after the chapters. */
export interface BackPage {
  name: string;
  title: string;
  body: string;
  matter: string;
}
