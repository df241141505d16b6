import { describe, expect, test } from '@jest/globals';
import { isTag, type ChildNode, type Element, type ParentNode } from 'domhandler';
import { filter } from 'domutils';
import fc from 'fast-check';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { decoded, errorInData, PageReader, readFragment, readRefresh, StreamDecoder } from './index.js';

function read(html: string, ...fragments: string[]) {
  const reader = new PageReader(fragments);
  reader.write(html);
  return reader.end(true);
}

describe('what is read of a page', () => {
  test('its names and its main text, without what stands around it', () => {
    const page = read(`<!doctype html><title> The  lamp </title>
      <header><h2>Trust</h2><form><input type=password></form></header><nav><a href=/>Home</a></nav>
      <main><h1>The <em>lamp</em></h1><p>Lit in<br>spring. <a href=/oil>Oil</a></p><p hidden>Not yet</p>
      <template><p>Mould</p></template><noscript>No script</noscript><script>let words = "in a script"</script></main>
      <footer>Small print</footer>`);
    expect(page).toMatchObject({
      title: 'The lamp',
      heading: 'The lamp',
      text: 'The lamp Lit in spring.',
      words: 5,
      marks: ['media', 'password', 'script', 'bare-headings'],
      whole: true,
    });
    expect(page.allWords).toBe(10);
  });

  test('its first title, white space made one, and what its site calls itself', () => {
    const named = read(
      '<title> Tide \n tables </title><title>x</title><meta property="og:site_name" content=" Lamp Trust ">',
    );
    expect(named).toMatchObject({ title: 'Tide tables', site: 'Lamp Trust' });
    expect(read('<meta property="og:title" content="x"><p>words')).toMatchObject({ title: '', site: '' });
  });

  test('words of blocks are not run together, those of inline elements are one', () =>
    expect(read('<p>one</p><p>two</p><div>thr<b>ee</b></div>').text).toBe('one two three'));

  test('the title of a drawing is not that of its page', () =>
    expect(read('<svg><title>Lens</title></svg><p>x</p>').title).toBe(''));

  test('where it sends its readers on', () => {
    expect(read('<meta http-equiv=Refresh content="0; url=/new">').refresh).toEqual({
      seconds: 0,
      href: '/new',
    });
    expect(read('<noscript><meta http-equiv=refresh content="0;url=/x"></noscript>').refresh).toBeNull();
    expect(read('<script>window.location.href="/new"</script>').sendsOn).toBe('/new');
    expect(read('<script>top.location.replace("/new")</script>').sendsOn).toBe('/new');
    expect(read('<script type="application/json">{"location":"/new"}</script>').sendsOn).toBe('');
    expect(read('<script>const allocation = "x"; map.location = "here"</script>').sendsOn).toBe('');
  });

  test('what it says of itself', () => {
    expect(read('<script type="application/ld+json">{"isAccessibleForFree":"False"}</script>').marks).toEqual(
      ['paid'],
    );
    expect(read('<main><input type=password></main>').marks).toEqual(['password', 'password-in-main']);
    expect(read('<div id=root></div><script src=x></script>').marks).toEqual(['application', 'script']);
    expect(read('<img src=x>').marks).toEqual(['media']);
  });

  // HTML Living Standard, 4.2.5.3 (shared declarative refresh steps); the values are those of web-platform-tests, from memory.
  test.each<[string, { seconds: number; href: string } | null]>([
    ['5', { seconds: 5, href: '' }],
    ['5; url=/a', { seconds: 5, href: '/a' }],
    ['5;URL = "/a b" x', { seconds: 5, href: '/a b' }],
    ["0;url='/a'", { seconds: 0, href: '/a' }],
    ['0,/a', { seconds: 0, href: '/a' }],
    ['1.5;url=/a', { seconds: 1, href: '/a' }],
    ['.5; /a', { seconds: 0, href: '/a' }],
    ['url=/a', null],
    ['', null],
    ['five', null],
  ])('a refresh “%s”', (...[value, expected]) => expect(readRefresh(value)).toEqual(expected));
});

describe('fragments', () => {
  const page = `<h2 id="wick">x</h2><a name="oil"></a><p id="käse">y</p><p id="a b">z</p><p id="%20">q</p>
    <!-- <p id="no"> --><template><p id="no"></p></template><noscript><p id="no"></p></noscript><img name="picture">`;
  // HTML Living Standard, 7.4.6.4: id, then percent-decoded, then the name of an anchor; `top` in whatever letters.
  test.each([
    ['wick', 'there'],
    ['oil', 'there'],
    ['k%C3%A4se', 'there'],
    ['a%20b', 'there'],
    ['%20', 'there'],
    ['', 'there'],
    ['top', 'there'],
    ['TOP', 'there'],
    ['Wick', 'missing'],
    ['no', 'missing'],
    ['picture', 'missing'],
    ['wick%', 'missing'],
    ['%FF', 'missing'],
  ])('#%s is %s', (...[fragment, state]) => expect(read(page, fragment).fragments.get(fragment)).toBe(state));

  test('many of one page are found in one reading', () => {
    const found = read(page, 'wick', 'oil', 'flame').fragments;
    expect(Object.fromEntries(found)).toEqual({ wick: 'there', oil: 'there', flame: 'missing' });
  });

  test('of a page that was not read to its end nobody knows', () => {
    const reader = new PageReader(['flame', 'wick']);
    reader.write(page);
    expect([...reader.end(false).fragments.values()]).toEqual(['unread', 'there']);
  });

  // WICG URL Fragment Text Directives, 3.2.
  test.each([
    [':~:text=lit%20in', 'there'],
    [':~:text=LIT', 'there'],
    [':~:text=Three,herring', 'there'],
    [':~:text=before-,herring', 'there'],
    [':~:text=herring,-after', 'there'],
    [':~:text=herring,Three', 'text-missing'],
    [':~:text=seven%20elephants', 'text-missing'],
    [':~:text=seven&text=herring', 'there'],
    ['wick:~:text=herring', 'there'],
    ['flame:~:text=herring', 'missing'],
  ])('#%s is %s', (...[fragment, state]) =>
    expect(
      read(
        '<p id=wick>The lamp was <b>lit</b> in spring.</p><p>Three boats with herring.</p>',
        fragment,
      ).fragments.get(fragment),
    ).toBe(state),
  );

  const words = fc.constantFrom('a', 'b', 'A', 'a b', 'ä', '%', '%41', '100%', 'top', '');
  const element = fc.oneof(
    fc.record({ tag: fc.constantFrom('p', 'a', 'div', 'template', 'svg'), id: words, name: words }),
    fc.constant(null),
  );

  test('are found where a parser of the whole page finds them (parse5)', () =>
    fc.assert(
      fc.property(fc.array(element, { maxLength: 8 }), words, fc.boolean(), (elements, wanted, encode) => {
        const html = elements
          .map((one) =>
            one ? `<${one.tag} id="${one.id}" name="${one.name}">x</${one.tag}>` : '<!--<p id="a">-->',
          )
          .join('');
        const fragment = encode ? encodeURIComponent(wanted) : wanted;
        const tree = parse(html, { treeAdapter: adapter });
        // What a template holds is no part of the page.
        const isInTemplate = (node: ParentNode | null): boolean =>
          node !== null && (('name' in node && node.name === 'template') || isInTemplate(node.parent));
        const is = (id: string) =>
          getElements(
            (node) => node.attribs.id === id || (node.name === 'a' && node.attribs.name === id),
            tree.children,
          ).some((node) => !isInTemplate(node.parent));
        const expected =
          fragment === '' ||
          decoded(fragment).toLowerCase() === 'top' ||
          is(fragment) ||
          is(decoded(fragment));
        expect(read(html, fragment).fragments.get(fragment)).toBe(expected ? 'there' : 'missing');
      }),
    ));
});

const getElements = (is: (element: Element) => boolean, nodes: ChildNode[]): Element[] =>
  filter((node) => isTag(node) && is(node), nodes, true).flatMap((node) => (isTag(node) ? [node] : []));

describe('whatever comes', () => {
  const markup = fc.array(
    fc.constantFrom(
      '<p>',
      '</p>',
      '<h1>',
      '<title>',
      '</title>',
      '<script>',
      '</script>',
      '<!--',
      '-->',
      '<a name="x">',
      '<',
      '&amp;',
      '"',
      'words ',
      ' id="x"',
      '\u0000',
      '<template>',
      '</div>',
      '<svg>',
      '<input type=password>',
      '<meta http-equiv=refresh content="0;url=x">',
      '😀',
    ),
    { maxLength: 60 },
  );

  test('in whatever pieces a page comes, the same is read of it', () =>
    fc.assert(
      fc.property(markup, fc.array(fc.nat(20), { maxLength: 20 }), (parts, cuts) => {
        const html = parts.join('');
        const reader = new PageReader(['x', ':~:text=words']);
        let at = 0;
        for (const cut of cuts) {
          reader.write(html.slice(at, at + cut));
          at += cut;
        }
        reader.write(html.slice(at));
        expect(reader.end(true)).toEqual(read(html, 'x', ':~:text=words'));
      }),
    ));

  test('nothing throws', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), fc.string(), (text, other) => {
        expect(read(text, other).fragments.has(other)).toBe(true);
        readRefresh(text);
        readFragment(text);
        errorInData(text);
        const decoder = new StreamDecoder(other);
        decoder.write(new TextEncoder().encode(text));
        decoder.end();
      }),
    ));

  test('elements nested without end are read', () => {
    const page = read('<div>'.repeat(20_000) + '<p id=deep>words', 'deep');
    expect(page).toMatchObject({ words: 1, text: 'words' });
    expect(page.fragments.get('deep')).toBe('there');
  });
});

// RFC 9457 for problem documents; the rest is common practice (no source).
test.each([
  ['{"error":"no lamp"}', 'no lamp'],
  ['{"error":{"message":"no lamp"}}', 'no lamp'],
  ['{"errors":[{"detail":"no lamp"}]}', 'no lamp'],
  ['{"success":false,"message":"no lamp"}', 'no lamp'],
  ['{"title":"Not Found","status":404}', 'Not Found'],
  ['{"errors":[],"lamps":1}', ''],
  ['{"error":null}', ''],
  ['{"status":404}', ''],
  ['{"code":451,"name":"Lamp"}', ''],
  ['{"lamps":[{"error":"x"}]}', ''],
  ['[1]', ''],
  ['no json', ''],
])('the error in %s is “%s”', (...[json, error]) => expect(errorInData(json)).toBe(error));

test.each([
  ['<meta charset=windows-1251>Лампа', 'windows-1251', undefined],
  ['<meta charset="shift_jis">灯台', 'shift_jis', undefined],
  ['Лампа', 'koi8-r', 'koi8-r'],
])('the encoding of %s is settled while it comes', (...[text, encoding, told]) => {
  const bytes = BYTES[encoding]!;
  const decoder = new StreamDecoder(told);
  const said = [...bytes].map((byte) => decoder.write(Uint8Array.of(byte))).join('') + decoder.end();
  expect(said).toBe(text);
});

/** “Лампа” and “灯台” in their encodings, after the tables of the WHATWG Encoding Standard. */
const ascii = (text: string) => [...text].map((sign) => sign.charCodeAt(0));
const BYTES: Record<string, Uint8Array> = {
  'windows-1251': Uint8Array.from([...ascii('<meta charset=windows-1251>'), 0xcb, 0xe0, 0xec, 0xef, 0xe0]),
  shift_jis: Uint8Array.from([...ascii('<meta charset="shift_jis">'), 0x93, 0x94, 0x91, 0xe4]),
  'koi8-r': Uint8Array.from([0xec, 0xc1, 0xcd, 0xd0, 0xc1]),
};
