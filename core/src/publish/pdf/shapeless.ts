import type { ReadBook } from '../../manuscript/index.js';
import { packagesFor, scriptOf } from './scripts.js';

/** A sign of the book that no font has a shape for, where it is met first, and what has fonts for it. */
export interface ShapelessSign {
  sign: string;
  /** The title of the chapter. */
  chapter: string;
  /** Words around it; empty where it stands in what is said of a picture or in a title. */
  words: string;
  /** A package of Debian that has a font with shapes for its script; empty where none is known. */
  fonts: string;
}

/** How much of the text is told on either side of a sign, in UTF-16 units. */
const AROUND = 24;

/** Where the signs of a book that no font has a shape for are met first. Signs that only join others have none in any font. */
export function whereShapeless(book: ReadBook, unseen: ReadonlySet<string>): ShapelessSign[] {
  const open = new Set([...unseen].filter((sign) => !/\p{Cf}/u.test(sign)));
  const found: ShapelessSign[] = [];
  const take = (text: string, chapter: string, areWords: boolean) => {
    let at = 0;
    for (const sign of text) {
      if (open.delete(sign)) {
        found.push({ sign, chapter, words: areWords ? around(text, at, sign) : '', fonts: packageFor(sign) });
      }
      at += sign.length;
    }
  };
  for (const { doc, title } of book.chapters) {
    if (open.size === 0) break;
    doc.descendants((node) => {
      if (node.isTextblock) take(node.textContent, title, true);
    });
    take(`${title}${JSON.stringify(doc.toJSON())}`, title, false);
  }
  take([...open].join(''), '', false);
  return found;
}

/** Whole words around a sign; what is longer than the room is cut off. */
function around(text: string, at: number, sign: string): string {
  const before = text.slice(Math.max(0, at - AROUND), at);
  const after = text.slice(at + sign.length, at + sign.length + AROUND);
  return (
    (at > AROUND ? before.replace(/^\S*\s/, '… ') : before) +
    sign +
    (text.length > at + sign.length + AROUND ? after.replace(/\s\S*$/, ' …') : after)
  ).trim();
}

/** What is drawn as a picture has a font of its own; what is of no use has none. */
function packageFor(sign: string): string {
  if (/\p{Emoji_Presentation}/u.test(sign)) return 'fonts-noto-color-emoji';
  const script = scriptOf(sign);
  return script ? packagesFor(script).debian : /[\p{Co}\p{Cn}\p{Cf}]/u.test(sign) ? '' : 'fonts-noto-core';
}
