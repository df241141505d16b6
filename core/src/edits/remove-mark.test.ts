import { expect, test } from '@jest/globals';
import { Transform } from 'prosemirror-transform';
import { schema } from '../manuscript/index.js';
import { note, noteMark, paragraph } from '../testing/books.js';
import { removeMark, removeNote } from './index.js';

const doc = schema.node('doc', null, [
  paragraph('One', note('n1', 'Remark'), '.'),
  paragraph('Two', noteMark('n1', 'm1'), ', ', note('n2', 'Other'), '.'),
]);
const [FIRST, SECOND] = [4, 20];

test('a mark that holds the remark leaves it to another one', () => {
  expect(doc.nodeAt(FIRST)?.type.name).toBe('note');
  expect(doc.nodeAt(SECOND)?.type.name).toBe('note_mark');
  const transform = new Transform(doc);
  removeMark(transform, FIRST);
  expect(transform.doc.toString()).toBe(
    'doc(paragraph("One."), paragraph("Two", note(note_paragraph("Remark")), ", ", note(note_paragraph("Other")), "."))',
  );
  // The other way round: the mark before takes it.
  const turned = schema.node('doc', null, [...doc.children].reverse());
  const at = turned.content.size - doc.child(0).nodeSize + FIRST;
  const back = new Transform(turned);
  removeMark(back, at);
  expect(back.doc.textContent).toBe('TwoRemark, Other.One.');
});

test('another mark goes alone, and a note with all of them', () => {
  const one = new Transform(doc);
  removeMark(one, SECOND);
  expect(one.doc.textContent).toBe('OneRemark.Two, Other.');
  const all = new Transform(doc);
  removeNote(all, 'n1');
  expect(all.doc.textContent).toBe('One.Two, Other.');
  const last = new Transform(all.doc);
  let at = -1;
  all.doc.descendants(({ type }, position) => void (type.name === 'note' && (at = position)));
  removeMark(last, at);
  expect(last.doc.textContent).toBe('One.Two, .');
});
