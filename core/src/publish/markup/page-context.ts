import type { Edition } from '../edition/edition.js';

/** What writing a chapter needs to know of the file around it. */
export interface PageContext {
  edition: Edition;
  /** The address of a place of the book, as seen from this file. */
  addressOfPlace(place: string): string;
  addressOfEnclosure(id: string): string | null;
  /** Gives back an id the first time, `null` from then on. */
  once(id: unknown): string | null;
  /** The id of a link, where a return link leads to it. */
  origin(id: string): string | null;
  /** The id of the figure or table whose caption is written. */
  captionOf?: unknown;
}
