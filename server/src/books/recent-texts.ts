import type { Node } from 'prosemirror-model';

/** A text of a chapter as it was at a version. Whether it is still the current one is for the database to say. */
export interface RecentText {
  id: string;
  bookId: string;
  title: string;
  version: number;
  doc: Node;
}

/** How many texts are remembered, and of how many positions together. */
const MOST = 200;
const MOST_POSITIONS = 4_000_000;

/** The texts that were saved last: what is typed next is typed over one of them, and need not be read again. */
export class RecentTexts {
  readonly #texts = new Map<string, RecentText>();

  /** The text of a chapter at a version, where it is remembered. */
  at(chapter: string, version: number): RecentText | undefined {
    const text = this.#texts.get(chapter);
    return text?.version === version ? text : undefined;
  }

  remember(text: RecentText): void {
    this.#texts.delete(text.id);
    this.#texts.set(text.id, text);
    let positions = 0;
    for (const { doc } of this.#texts.values()) positions += doc.nodeSize;
    for (const [id, { doc }] of this.#texts) {
      if (this.#texts.size <= MOST && positions <= MOST_POSITIONS) return;
      positions -= doc.nodeSize;
      this.#texts.delete(id);
    }
  }
}
