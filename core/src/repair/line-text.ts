import type { Node } from 'prosemirror-model';
import { OBJECT } from '../manuscript/index.js';

/** The words of a line, as they are searched. */
export interface LineText {
  text: string;
  /** For each UTF-16 unit of the text, its offset in the line's content. */
  positions: Uint32Array;
  /** 1 where a unit stands in a node that is closed to the search. */
  closed: Uint8Array;
}

const OPEN = (): boolean => false;

/** The words of a line; anything that is no text stands as one sign that no word has. */
export function lineText(line: Node, isClosed: (child: Node) => boolean = OPEN): LineText {
  let text = '';
  const pieces: { start: number; length: number; offset: number; closed: boolean }[] = [];
  line.forEach((child, offset) => {
    const said = saidOf(child);
    pieces.push({ start: text.length, length: said.length, offset, closed: isClosed(child) });
    text += said;
  });
  const positions = new Uint32Array(text.length);
  const closed = new Uint8Array(text.length);
  for (const piece of pieces)
    for (let unit = 0; unit < piece.length; unit++) {
      positions[piece.start + unit] = piece.offset + unit;
      closed[piece.start + unit] = piece.closed ? 1 : 0;
    }
  return { text, positions, closed };
}

/** What a child of a line is to a search. */
export const saidOf = (child: Node): string =>
  child.isText ? (child.text ?? '') : child.type.name === 'hard_break' ? ' ' : OBJECT;
