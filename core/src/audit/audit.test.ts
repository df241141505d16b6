import { describe, expect, test } from '@jest/globals';
import { linkWith, web } from '../testing/books.js';
import { auditContext, auditLink, rules } from './index.js';

const ENGLISH = auditContext('en-GB', []);
const PAGE = 'https://lamp-trust.example/tides';
const found = (text: string, destination: Parameters<typeof linkWith>[1] = PAGE) =>
  auditLink(linkWith(text, destination), ENGLISH).map(({ rule }) => rule);

describe('a link without words (WCAG F89, H30; ACT c487ae)', () => {
  // ACT c487ae, failed examples: a link without content, and one of white space only.
  test.each(['', ' ', '\u00a0', '\u200b'])('%j is found', (text) => expect(found(text)).toContain('no-text'));

  test('can be given words from its address, or removed', () => {
    const [finding] = auditLink(linkWith('', PAGE), ENGLISH);
    expect(finding!.severity).toBe('must-fix');
    expect(finding!.repairs.map(({ repair }) => repair)).toEqual([
      { type: 'text', text: 'Tides (lamp-trust.example)' },
      { type: 'unlink' },
    ]);
  });

  test('a picture that leads somewhere needs alternative text', () => {
    const picture = { ...linkWith('', PAGE), carrier: 'picture' as const };
    expect(auditLink(picture, ENGLISH)).toMatchObject([
      { rule: 'no-text', message: expect.stringContaining('picture') as unknown },
    ]);
    expect(auditLink({ ...picture, text: 'A chart of the Sound' }, ENGLISH)).toEqual([]);
  });
});

describe('vague words (WCAG F63, F84; ACT aizyf1)', () => {
  // F84: "click here", "more"; F63: "here", "Read more…"; H33 and G189 name "More information".
  test.each([
    'click here',
    'Click here',
    'CLICK HERE',
    'more',
    'More',
    'here',
    'Read more…',
    'read more »',
    'More information',
    'link',
    'This page',
    ' here ',
  ])('%j is found', (text) => expect(found(text)).toContain('vague-text'));

  // Passed examples of the same sources: words that tell the purpose.
  test.each([
    'Read more about Llama Park',
    'Current trends',
    'Tide tables',
    'How to click here in old programs',
    'More than a light',
  ])('%j is not', (text) => expect(found(text)).not.toContain('vague-text'));

  test('signs without a letter say nothing', () => expect(found('→')).toContain('vague-text'));

  test('other languages are left alone until they have a list', () => {
    expect(auditLink(linkWith('here', PAGE), auditContext('de', []))).toEqual([]);
  });
});

describe('an address as link text (WCAG G91)', () => {
  test.each([PAGE, 'lamp-trust.example/tides', 'www.lamp-trust.example/tides'])(
    '%s is found, with words to put instead',
    (text) => {
      const [finding] = auditLink(linkWith(text, PAGE), ENGLISH);
      expect(finding).toMatchObject({
        rule: 'raw-address',
        repairs: [{ repair: { type: 'text', text: 'Tides (lamp-trust.example)' } }],
      });
    },
  );

  test('words around the address are enough', () =>
    expect(found('The tables at lamp-trust.example/tides')).toEqual([]));
});

describe('text that shows another address', () => {
  test.each([
    ['https://lamp.example/', 'https://other.example/'],
    ['www.lamp.example', 'https://other.example/'],
    ['lamp.example/tides', 'https://lamp.example/ferries'],
    ['see www.lamp.example for more', 'https://other.example/'],
    ['https://lamp.example.', 'https://lamp.example.evil.example/'],
    ['joe@lamp.example', 'https://lamp.example/'],
    ['The lamp.example family', 'https://other.example/'],
    ['lamp.example/tides/…', 'https://lamp.example/ferries'],
  ])('%s leading to %s is found', (text, href) => expect(found(text, href)).toContain('misleading-text'));

  test.each([
    ['lamp.example', 'https://lamp.example/tides'],
    ['www.lamp.example', 'https://lamp.example/'],
    ['http://lamp.example/tides/', 'https://lamp.example/tides'],
    ['lamp.example/caf%C3%A9', 'https://lamp.example/café'],
    ['Fig. 3', 'https://other.example/'],
    ['Node.js', 'https://other.example/'],
    ['README.md', 'https://other.example/'],
    ['tides.csv', 'https://other.example/'],
    ['St.Gallen', 'https://other.example/'],
    ['https://doi.org/10.1000/1', 'https://dx.doi.org/10.1000/1'],
    ['lamp.example/tides/…', 'https://lamp.example/tides/2026/may'],
    ['lamp.example', 'https://en.lamp.example/tides'],
  ])('%s leading to %s is not', (text, href) =>
    expect(found(text, new URL(href).href)).not.toContain('misleading-text'),
  );

  test('offers both ways out', () => {
    const [finding] = auditLink(linkWith('lamp.example', 'https://other.example/x'), ENGLISH);
    expect(finding!.repairs.map(({ repair }) => repair)).toEqual([
      { type: 'destination', destination: web('https://lamp.example/') },
      { type: 'text', text: 'https://other.example/x' },
    ]);
  });

  test('an email address that shows another person is found', () => {
    const mail = { kind: 'mail' as const, to: ['ann@lamp.example'], cc: [], bcc: [], subject: '', body: '' };
    expect(found('bob@lamp.example', mail)).toContain('misleading-text');
    expect(found('Ann@lamp.example', mail)).not.toContain('misleading-text');
  });
});

describe('space and punctuation inside the ends', () => {
  test.each([' tides', 'tides ', 'tides.', 'tides,', 'tides; ', 'tides)', '(tides', '“tides'])(
    '%j is found',
    (text) =>
      expect(auditLink(linkWith(text, PAGE), ENGLISH)).toMatchObject([
        { rule: 'untrimmed-ends', repairs: [{ repair: { type: 'trim' } }] },
      ]),
  );

  test.each([
    'tides',
    'Who keeps the light?',
    'the tides (May)',
    '“Tides”',
    'Lamps Ltd.',
    'the U.S.',
    'and so on…',
    'Wait!',
  ])('%j is not', (text) => expect(found(text)).toEqual([]));

  test('what is taken in is said', () => {
    expect(auditLink(linkWith('tides. ', PAGE), ENGLISH)[0]!.message).toContain('a space and “.” at its end');
  });
});

describe('every rule', () => {
  test('has an id of its own and names the criterion it rests on', () => {
    expect(new Set(rules.map(({ id }) => id)).size).toBe(rules.length);
    for (const { criterion } of rules)
      expect(criterion).toMatch(
        /^WCAG \d\.\d\.\d|^RFC \d+|^DPUB-ARIA 1\.1|^UTS #39|^Common practice(?: \(|$)/,
      );
  });

  test('finds nothing at a good link', () => expect(found('Tide tables for May')).toEqual([]));
});
