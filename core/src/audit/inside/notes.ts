import { remarksWithoutMark } from '../../edits/index.js';
import { wordsOf } from '../../manuscript/index.js';
import type { InsideRule } from './inside-finding.js';

/** A note that says nothing. */
export const noteWithoutWords: InsideRule = {
  id: 'note-without-words',
  title: 'Notes that say nothing',
  severity: 'must-fix',
  criterion: 'Common practice',
  find: ({ map }) =>
    map.notes
      .filter(({ node }) => node.children.every((one) => wordsOf(one, () => 'x') === ''))
      .map(({ id, number, chapter, marks }) => ({
        subject: { id, kind: 'note', chapter, at: marks[0]?.at ?? 0, words: `Note ${number}` },
        message: `Note ${number} has no words: readers who follow its mark find nothing.`,
        repairs: [{ label: 'Remove the note', repair: { type: 'remove-note' } }],
      })),
};

/** A mark whose note is not there. */
export const markWithoutNote: InsideRule = {
  id: 'mark-without-note',
  title: 'Marks whose notes are gone',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  find: ({ map }) =>
    map.astray.map(({ id, chapter, at }) => ({
      subject: { id, kind: 'mark', chapter, at, words: 'Mark without a note' },
      message: 'The note of this mark is not in the book any more.',
      repairs: [{ label: 'Remove the mark', repair: { type: 'remove-node' } }],
    })),
};

/** A remark in a hand-made list of notes to which no mark leads. */
export const noteWithoutMark: InsideRule = {
  id: 'note-without-mark',
  title: 'Remarks that no mark leads to',
  severity: 'should-fix',
  criterion: 'Common practice',
  find: ({ book, handMade }) =>
    remarksWithoutMark(book, handMade).map(({ chapter, from, words }) => ({
      subject: { id: `${chapter}@${from}`, kind: 'remark', chapter, at: from, words },
      message: `No mark in the text leads to the remark “${words.slice(0, 60)}”.`,
      repairs: [{ label: 'Remove the remark', repair: { type: 'remove-block', words } }],
    })),
};
