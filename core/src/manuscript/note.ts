import type { Node } from 'prosemirror-model';
import { attrsOf } from './attrs.js';
import type { ReadBook } from './book.js';
import { noteMarkOf } from './holders.js';
import { spotsOf } from './spots.js';

/** A mark in the text that leads to a note: the note's own, or another one of the same note. */
export interface NoteMark {
  id: string;
  chapter: string;
  at: number;
  /** The author's words for the way back to it alone; empty for those of the note. */
  back: string;
}

/** A note of the book, with every mark that leads to it in reading order. */
export interface Note {
  id: string;
  /** As readers see it: counted by chapter or through the book, by the first of its marks. */
  number: string;
  chapter: string;
  /** The node in the text; its content is the remark. */
  node: Node;
  /** The author's words for its way back; empty for those of the book. */
  back: string;
  marks: NoteMark[];
}

/** The notes of a book, and the marks whose note is not there. */
export interface Notes {
  notes: Note[];
  byId: Map<string, Note>;
  astray: (NoteMark & { to: string })[];
}

/** Reads the notes out of a book: counted in the order of their first marks in the chapter where the remark is. */
export function notesOf({ chapters, structure }: Pick<ReadBook, 'chapters' | 'structure'>): Notes {
  const byId = new Map<string, Note>();
  const astray: Notes['astray'] = [];
  const read = chapters.map(({ id, doc }) => ({ chapter: id, ...spotsOf(doc, id) }));
  for (const { chapter, notes } of read)
    for (const { node } of notes) {
      const { id, back } = attrsOf.note(node);
      if (!byId.has(id)) byId.set(id, { id, number: '', chapter, node, back, marks: [] });
    }
  let count = 0;
  for (const { chapter, notes, marks } of read) {
    if (structure.notes.count === 'chapter') count = 0;
    for (const { node, at } of [...notes, ...marks].sort((one, other) => one.at - other.at)) {
      const { id, of } = noteMarkOf(node);
      const note = byId.get(of);
      const back = node.type.name === 'note_mark' ? attrsOf.noteMark(node).back : '';
      if (!note) astray.push({ id, chapter, at, back, to: of });
      else {
        note.marks.push({ id, chapter, at, back });
        if (note.number === '' && note.chapter === chapter) note.number = String((count += 1));
      }
    }
  }
  return { notes: [...byId.values()].sort(byNumber(chapters)), byId, astray };
}

/** By chapter, and within it by number. */
function byNumber(chapters: readonly { id: string }[]): (one: Note, other: Note) => number {
  const index = new Map(chapters.map(({ id }, at) => [id, at]));
  return (one, other) =>
    (index.get(one.chapter) ?? 0) - (index.get(other.chapter) ?? 0) ||
    Number(one.number) - Number(other.number);
}
