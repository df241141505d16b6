import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { heading, linked, paragraph } from '../testing/books.js';
import { faultInChapter, schema } from './index.js';

interface Json {
  type: string;
  content?: Json[];
  attrs?: Record<string, unknown>;
  marks?: { type: string; attrs?: Record<string, unknown> }[];
  text?: string;
}

const good = (): Json =>
  schema
    .node('doc', null, [
      heading(1, 'Tides', 'tides'),
      paragraph('See ', linked('this', 'https://a.example/', 'one'), '.'),
    ])
    .toJSON() as Json;

function broken(change: (chapter: Json) => void): Json {
  const chapter = good();
  change(chapter);
  return chapter;
}

const linkAttrs = (chapter: Json) => chapter.content?.[1]!.content?.[1]!.marks?.[0]!.attrs ?? {};

describe('a chapter’s JSON', () => {
  test('is accepted when it fits the schema', () => expect(faultInChapter(good())).toBeNull());

  const FAULTS: [string, (chapter: Json) => void, string, RegExp][] = [
    [
      'an unknown node',
      (c) => c.content?.push({ type: 'video' }),
      'content[2].type',
      /unknown node type “video”/,
    ],
    [
      'an unknown attribute',
      (c) => Object.assign(c.content?.[0]!.attrs ?? {}, { onclick: 'x' }),
      'content[0].attrs.onclick',
      /unknown attribute/,
    ],
    [
      'a level that is a word',
      (c) => Object.assign(c.content?.[0]!.attrs ?? {}, { level: 'two' }),
      '',
      /level/,
    ],
    [
      'a level that does not exist',
      (c) => Object.assign(c.content?.[0]!.attrs ?? {}, { level: 9 }),
      '',
      /1 to 6/,
    ],
    [
      'a text without words',
      (c) => c.content?.[1]!.content?.push({ type: 'text', text: '' }),
      'content[1].content[3].text',
      /must have words/,
    ],
    [
      'text where blocks stand',
      (c) => c.content?.push({ type: 'text', text: 'x' }),
      'content[2]',
      /can’t stand in a doc/,
    ],
    [
      'a list without items',
      (c) => c.content?.push({ type: 'bullet_list' }),
      'content[2].content',
      /not complete/,
    ],
    [
      'an unknown mark',
      (c) => (c.content![1]!.content![0]!.marks = [{ type: 'blink' }]),
      'content[1].content[0].marks[0]',
      /unknown mark/,
    ],
    [
      'a link to a script',
      (c) => (linkAttrs(c).destination = { kind: 'web', href: 'javascript:alert(1)' }),
      'content[1].content[1].marks[0].attrs.destination',
      /http or https/,
    ],
    [
      'a link without an id',
      (c) => delete linkAttrs(c).id,
      'content[1].content[1].marks[0].attrs.id',
      /missing/,
    ],
    [
      'an id with a space',
      (c) => (linkAttrs(c).id = 'a b'),
      'content[1].content[1].marks[0].attrs.id',
      /begins with a letter/,
    ],
    [
      'an id that is used twice',
      (c) => (linkAttrs(c).id = 'tides'),
      'content[1].content[1].marks[0].attrs.id',
      /used twice/,
    ],
    [
      'a figure that leads to a file: address',
      (c) =>
        c.content?.push({
          type: 'figure',
          attrs: {
            enclosure: 'e',
            link: { id: 'f', hoverNote: '', destination: { kind: 'web', href: 'file:///x' } },
          },
        }),
      'content[2].attrs.link.destination',
      /http or https/,
    ],
    ['content that is no list', (c) => Object.assign(c, { content: 'x' }), 'content', /must be a list/],
  ];

  test.each(FAULTS)('with %s is refused with the path of the fault', (_name, change, path, message) => {
    const fault = faultInChapter(broken(change));
    expect(fault?.path).toBe(path);
    expect(fault?.message).toMatch(message);
  });

  test.each([null, [], 'doc', 7, { type: 'paragraph' }])('%j is no chapter', (json) =>
    expect(faultInChapter(json)).not.toBeNull(),
  );

  test('a link may go on over emphasis with one id, but not after other words', () => {
    const link = schema.marks.link.create({
      id: 'one',
      destination: { kind: 'web', href: 'https://a.example/' },
    });
    const together = [schema.text('a', [link]), schema.text('b', [link, schema.marks.strong.create()])];
    const chapter = (content: typeof together) =>
      schema.node('doc', null, [schema.node('paragraph', null, content)]).toJSON() as unknown;
    expect(faultInChapter(chapter(together))).toBeNull();
    expect(faultInChapter(chapter([together[0]!, schema.text(' x '), together[1]!]))?.message).toMatch(
      /used twice/,
    );
  });

  test('that is nested without end is refused, not followed', () => {
    let inner: Json = { type: 'paragraph' };
    for (let depth = 0; depth < 5000; depth++) inner = { type: 'quotation', content: [inner] };
    expect(faultInChapter({ type: 'doc', content: [inner] })?.message).toMatch(/nested deeper/);
  });

  test('of any shape is judged without breaking', () => {
    fc.assert(
      fc.property(
        fc.jsonValue({ maxDepth: 4 }),
        (json) => void faultInChapter({ type: 'doc', content: [json] }),
      ),
    );
  });
});

describe('nodes that lead inside', () => {
  const chapter = (...line: object[]) => ({ type: 'doc', content: [{ type: 'paragraph', content: line }] });
  const note = (attrs: object, ...content: object[]) => ({
    type: 'note',
    attrs,
    content: [{ type: 'note_paragraph', content }],
  });
  const web = { kind: 'web', href: 'https://a.example/' };

  test('are taken as they are', () => {
    const good = chapter(
      note({ id: 'n', back: '' }, { type: 'text', text: 'x' }),
      { type: 'note_mark', attrs: { id: 'm', to: 'n' } },
      { type: 'reference', attrs: { id: 'r', place: 'n', form: 'page', own: '', hoverNote: '' } },
      { type: 'return_link', attrs: { id: 'b', to: 'origin', place: null, own: '' } },
    );
    expect(faultInChapter(good)).toBeNull();
  });

  test.each([
    ['a note in a note', chapter(note({ id: 'n' }, note({ id: 'o' }))), /can’t stand in a note_paragraph/],
    [
      'a form that does not exist',
      chapter({ type: 'reference', attrs: { id: 'r', place: 'x', form: 'colour' } }),
      /a form is/,
    ],
    ['a reference without a place', chapter({ type: 'reference', attrs: { id: 'r' } }), /missing/],
    ['two notes of one id', chapter(note({ id: 'n' }), note({ id: 'n' })), /used twice/],
    [
      'an id that the mark of a note has',
      chapter(note({ id: 'n' }), { type: 'anchor', attrs: { id: 'n.mark' } }),
      /used twice/,
    ],
    [
      'a link over a note',
      chapter({ ...note({ id: 'n' }), marks: [{ type: 'link', attrs: { id: 'k', destination: web } }] }),
      /can’t be part of a link/,
    ],
    [
      'a bookmark that is there twice',
      chapter(
        { type: 'text', text: 'a', marks: [{ type: 'bookmark', attrs: { id: 'k', name: 'A' } }] },
        { type: 'text', text: 'b' },
        { type: 'text', text: 'c', marks: [{ type: 'bookmark', attrs: { id: 'k', name: 'A' } }] },
      ),
      /used twice/,
    ],
    [
      'a list of contents that goes too deep',
      { type: 'doc', content: [{ type: 'contents', attrs: { id: 'c', depth: 9 } }] },
      /1 to 6/,
    ],
  ])('%s is a fault', (_what, json, message) => expect(faultInChapter(json)?.message).toMatch(message));
});
