import { describe, expect, test } from '@jest/globals';
import type { Link, Place } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import { readEntry } from '../leads-to/destination-entry.js';
import { fieldsOfRepair, NO_READING, previewOf, valuesFor, wordsOf } from './link-values.js';

const names = { places: new Map([['p', { words: 'The light' } as Place]]), surroundings: NO_SURROUNDINGS };
const begun = (words: string) => valuesFor(null, NO_READING, words, names);

describe('a new link', () => {
  test('on an address leads there, if its author says nothing else', () => {
    const values = begun('lamp.example/tides');
    expect(readEntry(values.to).destination).toEqual({ kind: 'web', href: 'https://lamp.example/tides' });
    expect(begun('the tides').to.typed).toBe('');
  });

  test('has the words of its author, else those of where it leads', () => {
    const to = { ...begun('').to, picked: { kind: 'place' as const, place: 'p' } };
    expect(wordsOf({ text: ' there ', to }, null, names)).toBe('there');
    expect(wordsOf({ text: ' ', to }, null, names)).toBe('The light');
    expect(wordsOf({ text: 'there', to }, 'see 1.2', names)).toBe('see 1.2');
    expect(wordsOf(begun(''), null, names)).toBe('');
  });

  test('is heard and judged as the link that it would be', () => {
    const values = begun('lamp.example');
    expect(previewOf(null, values, 'lamps', 'text')).toMatchObject({
      href: 'https://lamp.example/',
      text: 'lamps',
      carrier: 'text',
    });
    expect(previewOf(null, begun('lamps'), 'lamps', 'text')).toBeNull();
  });
});

test('a link that is there is said as it is', () => {
  const destination = { kind: 'web', href: 'https://lamp.example/?utm_source=x' } as const;
  const link = { destination, text: 'lamps', hoverNote: 'n', look: null } as Link;
  const values = valuesFor(link, NO_READING, '', names);
  expect(values).toMatchObject({ text: 'lamps', hoverNote: 'n' });
  // What leads somewhere already is not tidied behind its author's back.
  expect(readEntry(values.to).destination).toEqual(destination);
});

test('repairs that set fields wait with the others in a new slip; the rest is more than fields', () => {
  expect(fieldsOfRepair({ type: 'text', text: 'x' }, '', names)).toEqual({ text: 'x' });
  expect(fieldsOfRepair({ type: 'trim' }, ' x ', names)).toEqual({ text: 'x' });
  expect(fieldsOfRepair({ type: 'hover-note', hoverNote: '' }, '', names)).toEqual({ hoverNote: '' });
  expect(fieldsOfRepair({ type: 'unlink' }, '', names)).toBeNull();
  expect(fieldsOfRepair({ type: 'make-note' }, '', names)).toBeNull();
});
