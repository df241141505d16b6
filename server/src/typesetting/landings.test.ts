import { expect, test } from '@jest/globals';
import { schema, tableOf } from '@vennet/core/manuscript';
import { computedLinks, editionOf, expectedLinks, withPages } from '@vennet/core/publish';
import { linksInPdf, prove } from '@vennet/core/readback';
import { bookOf, heading, linked, paragraph, place } from '@vennet/core/testing';
import type { Node } from 'prosemirror-model';
import { finishPdf } from './finish.js';
import { setPages, type SetPlace } from './typeset.js';

const node = (type: string, content: Node[], id: string | null = null) => schema.node(type, { id }, content);
const mono = (words: string) => schema.text(words, [schema.marks.code.create()]);
const raised = (words: string) => schema.text(words, [schema.marks.superscript.create()]);
const anchor = (id: string) => schema.node('anchor', { id });
const words = (id: string | null, ...content: (string | Node)[]) =>
  node(
    'paragraph',
    content.map((one) => (typeof one === 'string' ? schema.text(one) : one)),
    id,
  );
const code = (text: string, id: string | null = null) => node('code_block', [schema.text(text)], id);

/** Each begins with what is not plain words of the text's own font, at a place. */
const beginnings = (id: () => string): Node[] => [
  words(id(), mono('lamp_on()'), ' turns it on.'),
  words(null, anchor(id()), mono('--verbose'), ' says more.'),
  words(null, 'Before ', anchor(id()), mono('wick = 3'), ' after.'),
  words(id(), mono('x'), mono('y')),
  words(id(), raised('2'), 'Two things'),
  code('for x in y:\n  z()', id()),
  code('  indented code\n  z()', id()),
  code('\n\nblank lines first\n  z()', id()),
  node('code_block', [schema.text('a\n'), anchor(id()), schema.text('  b begins here\nc')]),
  node('bullet_list', [
    node('list_item', [words(null, mono('oil'), ' burns')], id()),
    node('list_item', [code('listed')], id()),
  ]),
  tableOf([
    node('table_row', [
      node('table_cell', [words(null, mono('cell'), ' code')], id()),
      node('table_cell', [code('code in a cell')], id()),
    ]),
  ]),
  schema.node('heading', { level: 2, id: id() }, [mono('heading()'), schema.text(' call')]),
  schema.node('heading', { level: 3, id: id() }, [mono('only_code')]),
  node('quotation', [code('quoted code')], id()),
  words(id(), '=> arrows -> and <= signs'),
  words(id(), '“Quoted” first'),
  words(id(), 'ﬁne ½ ² ™'),
  words(id(), 'o\u0302 composed'),
  words(id(), 'שלום lamp'),
  words(id(), 'صباح الخير'),
  words(id(), 'a\u200dlamp, a\u200cwick, a soft\u00adhyphen'),
  words(id(), 'مى\u200cخواهم'),
];

function bookOfBeginnings() {
  const ids: string[] = [];
  const id = () => {
    ids.push(`p${ids.length + 1}`);
    return ids.at(-1)!;
  };
  const filler = (count: number) => paragraph('Filler words that go on and on. '.repeat(1 + (count % 4)));
  const blocks = beginnings(id).flatMap((block, index) => [block, filler(index), filler(index + 1)]);
  const links = ids.flatMap((one) => [linked(`to ${one}`, place(one)), ' ']);
  return bookOf([heading(1, 'One'), ...blocks, paragraph(...links)]);
}

test('a link lands at what begins with code, with signs or with words from right to left, and nowhere else', async () => {
  const edition = editionOf(bookOfBeginnings(), [], 'pdf');
  const { bytes, places, labels } = setPages(edition).write();
  const withNumbers = withPages(edition, labels);
  const wrong = async (set: readonly SetPlace[]) => {
    const { links } = await linksInPdf(await finishPdf(bytes, withNumbers, set));
    const { changed, lost } = prove(expectedLinks(withNumbers), links, computedLinks(withNumbers));
    return [...changed, ...lost].map(({ href }) => href);
  };
  expect(await wrong(places)).toEqual([]);
  const lower = places.map((one) => (/^p\d/.test(one.id) ? { ...one, y: one.y + 30 } : one));
  expect(await wrong(lower)).toHaveLength(places.filter(({ id }) => /^p\d/.test(id)).length);
}, 60_000);
