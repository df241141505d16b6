import type { Node } from 'prosemirror-model';
import { wordsOf } from './book.js';

/** A heading of a chapter and where it stands in the chapter's doc. */
export interface OutlineHeading {
  level: number;
  words: string;
  position: number;
}

/** The headings of a chapter in their order, those within quotations and tables too. */
export function headingsOf(doc: Node): OutlineHeading[] {
  const headings: OutlineHeading[] = [];
  doc.descendants((node, position) => {
    if (node.type.name === 'heading')
      headings.push({ level: node.attrs.level as number, words: wordsOf(node), position });
    return !node.isTextblock;
  });
  return headings;
}
