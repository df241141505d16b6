import { expect, test } from '@jest/globals';
import { schema } from '../../manuscript/index.js';
import { bookOf, heading, paragraph } from '../../testing/index.js';
import { editionOf, makeWebPage } from '../index.js';

test('empty paragraphs are not published, unless something leads to them or a container has nothing else', () => {
  const anchor = schema.node('anchor', { id: 'spot' });
  const item = (...blocks: ReturnType<typeof paragraph>[]) => schema.node('list_item', null, blocks);
  const book = bookOf([
    heading(1, 'One'),
    paragraph(),
    paragraph('Words.'),
    paragraph(),
    schema.node('paragraph', { id: 'kept' }),
    paragraph(anchor),
    schema.node('bullet_list', null, [item(paragraph()), item(paragraph('Item'), paragraph())]),
    schema.node('quotation', null, [paragraph(), paragraph('Said.')]),
  ]);
  const html = new TextDecoder().decode(makeWebPage(editionOf(book, [], 'web')));
  expect(html.match(/<p[^>]*><\/p>/g)).toEqual(['<p id="kept"></p>']);
  expect(html).toContain('id="spot"');
  expect(html.match(/<li>/g)!.length).toBeGreaterThanOrEqual(2);
});
