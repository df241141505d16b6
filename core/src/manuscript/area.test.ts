import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Transform } from 'prosemirror-transform';
import { auditContext, auditLink } from '../audit/index.js';
import { applyRepair, type Repair } from '../repair/index.js';
import { web } from '../testing/books.js';
import { boxBetween, faultInChapter, linksOfChapter, schema, withinPicture, type LinkArea } from './index.js';

const area = (id: string, more: Partial<LinkArea> = {}): LinkArea => ({
  id,
  name: 'North light',
  destination: web('https://a.example/'),
  hoverNote: '',
  frame: null,
  x: 0.1,
  y: 0.2,
  width: 0.3,
  height: 0.4,
  ...more,
});
const chapter = (areas: unknown[], link: unknown = null) =>
  schema.node('doc', null, [
    schema.node('figure', { enclosure: 'e1', alt: 'A chart', areas, link }, [
      schema.node('caption', null, [schema.text('The Sound')]),
    ]),
  ]);
const whole = { id: 'whole', destination: web('https://b.example/'), hoverNote: '' };
const doc = chapter([area('a1'), area('a2', { name: '' })], whole);
const links = (now = doc) => linksOfChapter(now, 'c1');

describe('link areas', () => {
  test('are links of their picture, after the link of the whole', () => {
    expect(links().map(({ id, carrier, text, href }) => [id, carrier, text, href])).toEqual([
      ['whole', 'picture', 'A chart', 'https://b.example/'],
      ['a1', 'area', 'North light', 'https://a.example/'],
      ['a2', 'area', '', 'https://a.example/'],
    ]);
  });

  test('need a name (WCAG H24), and one that says where they lead', () => {
    const rules = (name: string) =>
      auditLink(links(chapter([area('a1', { name })]))[0]!, auditContext('en', [])).map(({ rule }) => rule);
    expect(rules('')).toEqual(['no-text']);
    expect(rules('click here')).toEqual(['vague-text']);
    expect(rules('North light')).toEqual([]);
  });

  test.each([
    [{ type: 'destination', destination: web('https://c.example/') }, { href: 'https://c.example/' }],
    [{ type: 'text', text: 'South light' }, { text: 'South light' }],
    [{ type: 'hover-note', hoverNote: 'At dusk' }, { hoverNote: 'At dusk' }],
  ] as [Repair, object][])('are repaired one by one: %j', (repair, changed) => {
    const transform = new Transform(doc);
    applyRepair(transform, links()[1]!, repair);
    expect(links(transform.doc)[1]).toMatchObject(changed);
    expect(links(transform.doc)[2]).toMatchObject({ id: 'a2', text: '', href: 'https://a.example/' });
    expect(links(transform.doc)[0]).toEqual(links()[0]);
  });

  test('go when they are unlinked; the picture and the others stay', () => {
    const transform = new Transform(doc);
    applyRepair(transform, links()[1]!, { type: 'unlink' });
    expect(links(transform.doc).map(({ id }) => id)).toEqual(['whole', 'a2']);
  });

  test.each([
    [{ x: -0.1 }, 'content[0].attrs.areas[0].x'],
    [{ width: 0 }, 'content[0].attrs.areas[0].width'],
    [{ x: 0.9 }, 'content[0].attrs.areas[0].x'],
    [{ destination: web('javascript:alert(1)') }, 'content[0].attrs.areas[0].destination'],
    [{ frame: { line: 'wavy', width: 1, colour: '#000000' } }, 'content[0].attrs.areas[0].frame'],
    [{ frame: { line: 'solid', width: 1, colour: 'red' } }, 'content[0].attrs.areas[0].frame'],
    [{ id: 'two words' }, 'content[0].attrs.areas[0].id'],
  ])('that do not fit are refused with the path of the fault: %j', (more, path) => {
    const json = chapter([]).toJSON() as { content: { attrs: { areas: unknown[] } }[] };
    json.content[0]!.attrs.areas = [{ ...area('a1'), ...more }];
    expect(faultInChapter(json)?.path).toBe(path);
  });

  test('may not share an id with anything', () => {
    expect(faultInChapter(chapter([area('a1'), area('a1')]).toJSON())?.message).toContain('used twice');
    expect(faultInChapter(doc.toJSON())).toBeNull();
  });

  test('stay within their picture, however they are drawn or pushed', () => {
    const point = fc.record({
      x: fc.double({ min: -2, max: 3, noNaN: true }),
      y: fc.double({ min: -2, max: 3, noNaN: true }),
    });
    fc.assert(
      fc.property(point, point, (from, to) => {
        const { x, y, width, height } = withinPicture(boxBetween(from, to));
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0);
        expect(Math.min(width, height)).toBeGreaterThanOrEqual(0.01);
        expect(Math.max(x + width, y + height)).toBeLessThanOrEqual(1.0001);
      }),
    );
  });
});
