import type { ChildNode, Element } from 'domhandler';
import { element, put } from './elements.js';

/** A bookmark whose words are being read. */
interface OpenBookmark {
  id: string;
  /** As its author calls it; empty for one that no author sees. */
  name: string;
  isUsed: boolean;
}

/** What stands in lines of a page: it goes into elements that are open, under the bookmarks that are open. */
export class Line {
  readonly #bookmarks = new Map<string, OpenBookmark>();

  constructor(public at: Element) {}

  /** Begins a bookmark; `key` is how its end names it. */
  open(key: string, id: string, name: string): void {
    this.#bookmarks.set(key, { id, name, isUsed: false });
  }

  /** Ends a bookmark. One that stood on no words is a spot. */
  close(key: string): void {
    const bookmark = this.#bookmarks.get(key);
    this.#bookmarks.delete(key);
    if (bookmark && !bookmark.isUsed) this.spot(bookmark.id);
  }

  spot(id: string): void {
    put(this.at, element('a', { id }));
  }

  /** Puts words or a picture into the line. */
  put(node: ChildNode): void {
    let inner = node;
    for (const bookmark of this.#bookmarks.values()) {
      bookmark.isUsed = true;
      inner = element('span', { id: bookmark.id, 'data-bookmark': bookmark.name }, [inner]);
    }
    put(this.at, inner);
  }

  /** Reads what stands within an element of the page. */
  within(inner: Element, read: () => void): void {
    const outer = this.at;
    put(outer, inner);
    this.at = inner;
    read();
    this.at = outer;
  }
}
