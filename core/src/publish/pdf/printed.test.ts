import { expect, test } from '@jest/globals';
import { PrintedAddresses } from './printed.js';

const web = { kind: 'web', href: 'https://lamp.example/oil' } as const;

test('an address stands once in the list of its chapter, which is told by its id: titles may be the same', () => {
  const printed = new PrintedAddresses('list');
  for (const [link, chapter] of [
    ['one', 'c1'],
    ['two', 'c1'],
    ['three', 'c2'],
  ] as const)
    printed.of(link, web, chapter);
  expect(printed.all.map(({ number, chapter }) => [number, chapter])).toEqual([
    [1, 'c1'],
    [1, 'c1'],
    [2, 'c2'],
  ]);
  expect(printed.list.map(({ chapter, lines }) => [chapter, lines.length])).toEqual([
    ['c1', 1],
    ['c2', 1],
  ]);
});
