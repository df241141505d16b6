import { describe, expect, test } from '@jest/globals';
import { JSDOM } from 'jsdom';
import { HOSTILE_DRAWINGS } from '../testing/hostile-drawings.js';
import { PIXEL } from '../testing/zip.js';
import { ELEMENTS } from './allowed.js';
import { cleanDrawing, harmless, readPicture, type CleanDrawing } from './index.js';

const encode = (text: string) => new TextEncoder().encode(text);
const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const NS = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';

function cleaned(text: string): CleanDrawing {
  const drawing = cleanDrawing(encode(text));
  if ('fault' in drawing) throw new Error(drawing.fault);
  return drawing;
}
const faultOf = (text: string) => {
  const drawing = cleanDrawing(encode(text));
  return 'fault' in drawing ? drawing.fault : null;
};
const written = (text: string) => decode(cleaned(text).bytes);

/** What an XML parser that is not ours finds in a drawing. */
const elementsIn = (bytes: Uint8Array) => [
  ...new JSDOM(decode(bytes), { contentType: 'image/svg+xml' }).window.document.querySelectorAll('*'),
];

describe('a drawing', () => {
  test('whose parts stand in others that can’t hold them is mended (SVG 1.1, 9.2 to 10.5)', () => {
    const { bytes, takenOut, links } = cleaned(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text x="1" y="2">Low <text x="3" transform="scale(2)">tide</text> <a href="https://tide.example/">now</a><rect width="1" height="1"/></text><g>stray<rect width="2"/><tspan>lost</tspan></g><path d="M0 0"><circle r="1"/><title>A line</title></path></svg>`,
    );
    expect(decode(bytes)).toContain(
      '<text x="1" y="2">Low <tspan x="3">tide</tspan> <tspan>now</tspan></text><g/><path d="M0 0"><title>A line</title></path></svg>',
    );
    expect(takenOut).toBe(4);
    expect(links).toMatchObject([{ href: 'https://tide.example/', name: 'now' }]);
  });

  test.each(HOSTILE_DRAWINGS)('with %s keeps nothing that runs or fetches', (_name, text) => {
    const { bytes } = cleaned(text);
    const names = new Set(ELEMENTS.values());
    for (const element of elementsIn(bytes)) {
      expect(element.namespaceURI).toBe('http://www.w3.org/2000/svg');
      expect(names).toContain(element.localName);
      expect(element.localName).not.toBe('a');
      for (const { name, value } of element.attributes) {
        expect(name).not.toMatch(/^on/i);
        if (/href$/.test(name)) expect(value).toMatch(/^(?:#|data:image\/(?:png|jpeg|gif|webp);)/);
        if (!name.startsWith('xmlns')) expect(value).not.toMatch(/script|f\.example|\\/);
      }
      if (element.localName === 'style') expect(element.textContent).not.toMatch(/@|f\.example|\\/);
    }
    // What is clean is not changed again.
    expect(decode(cleaned(decode(bytes)).bytes)).toBe(decode(bytes));
  });

  test('keeps what it is made of', () => {
    const text = `<svg ${NS} width="90" height="60" viewBox="0 0 90 60"><title>Tides &amp; lamps</title><defs>
      <linearGradient id="g"><stop offset="0" stop-color="#fff"/><stop offset="1" style="stop-color:rgb(9,9,9);stop-opacity:.5"/></linearGradient>
      <symbol id="s" viewBox="0 0 9 9"><circle cx="4" cy="4" r="4"/></symbol></defs>
      <style>.wave > path { fill: none; stroke: #12343b; stroke-width: 1.5px }</style>
      <g class="wave" transform="translate(3, 4) rotate(45)"><path d="M0 4h90" style="fill:url(#g)"/></g>
      <use xlink:href="#s" x="3" fill="url(#g)"/><text font-family="'Own Serif', serif" xml:lang="de">Ebbe</text>
      <image width="9" height="9" href="data:image/png;base64,iVBORw0KGgo="/></svg>`;
    const { takenOut, links, size } = cleaned(text);
    expect({ takenOut, links, size }).toEqual({ takenOut: 0, links: [], size: { width: 90, height: 60 } });
    expect(written(text)).toBe(
      `<?xml version="1.0" encoding="utf-8"?>\n${text
        .replace(
          '.wave > path { fill: none; stroke: #12343b; stroke-width: 1.5px }',
          '.wave&gt;path{fill:none;stroke:#12343b;stroke-width:1.5px}',
        )
        .replace(`'Own Serif', serif`, '&quot;Own Serif&quot;,serif')
        .replace('href="data', 'xlink:href="data')}\n`,
    );
  });

  test('gets the case of its names back where HTML has lost it', () => {
    const text = `<svg viewbox="0 0 9 9" width="9" height="9"><lineargradient id="g" gradientunits="userSpaceOnUse"/></svg>`;
    expect(written(text)).toContain('viewBox="0 0 9 9"');
    expect(written(text)).toContain('<linearGradient id="g" gradientUnits="userSpaceOnUse"/>');
  });

  test('tells what was taken out of it, but not of the notes of drawing programs', () => {
    const noted = `<svg ${NS} xmlns:prog="https://prog.example/ns" width="9" height="9" prog:zoom="3"><metadata/><prog:view/></svg>`;
    expect(cleaned(noted.replace('<metadata/>', '')).takenOut).toBe(0);
    expect(cleaned(`<svg ${NS} width="9" height="9" onload="a()"><script/></svg>`).takenOut).toBe(2);
  });

  test('has signs that XML allows, ids once, and its own encoding read', () => {
    expect(
      written(
        `<svg ${NS} width="9" height="9"><text id="a">a&#1;\u0002b\ud800</text><g id="a"/><g id="1 x"/></svg>`,
      ),
    ).toContain('<text id="a">ab�</text><g/><g/>');
    const latin = Uint8Array.from(
      `<?xml version="1.0" encoding="iso-8859-1"?><svg ${NS} width="9" height="9"><text>\xe4</text></svg>`,
      (sign) => sign.charCodeAt(0),
    );
    const drawing = cleanDrawing(latin);
    expect('bytes' in drawing && decode(drawing.bytes)).toContain('<text>ä</text>');
  });

  const nested = (tag: string, times: number, inner = '') =>
    `<svg ${NS} width="9" height="9">${`<${tag}>`.repeat(times)}${inner}${`</${tag}>`.repeat(times)}</svg>`;
  test.each([
    ['no drawing', '<html><body/></html>', /no SVG drawing/],
    ['nothing', '', /no SVG drawing/],
    ['20,000 levels', nested('g', 20_000), /more than 200 levels deep/],
    ['20,000 levels of what is left out', nested('script', 20_000), /more than 200 levels deep/],
    [
      'a part that uses itself',
      `<svg ${NS} width="9" height="9"><g id="a"><use href="#a"/></g></svg>`,
      /uses itself/,
    ],
    [
      'parts that double each other',
      `<svg ${NS} width="9" height="9">${Array.from({ length: 40 }, (_, n) => `<g id="g${n}"><use href="#g${n + 1}"/><use href="#g${n + 1}"/></g>`).join('')}<g id="g40"/></svg>`,
      /again and again/,
    ],
    ['a side that is too long', `<svg ${NS} width="1e9" height="1e9"/>`, /longer than 100000 px/],
    ['sides that are too unlike', `<svg ${NS} width="9000" height="1"/>`, /1000 times the shorter/],
  ])('of %s is refused', (_name, text, fault) => expect(faultOf(text)).toMatch(fault));
});

describe('the links of a drawing', () => {
  // SVG 2, 16.2.1, example link01, as remembered: the ellipse is the link.
  test('are taken out of it with their boxes', () => {
    const { links, bytes } = cleaned(`<svg width="5cm" height="3cm" viewBox="0 0 5 3" version="1.1" ${NS}>
      <rect x=".01" y=".01" width="4.98" height="2.98" fill="none" stroke="blue" stroke-width=".03"/>
      <a xlink:href="https://tides.example/"><ellipse cx="2.5" cy="1.5" rx="2" ry="1" fill="red"/></a></svg>`);
    expect(links).toHaveLength(1);
    expect(links[0]).toMatchObject({ href: 'https://tides.example/', name: '' });
    const { left, top, right, bottom } = links[0]!.box!;
    expect([left, top, right, bottom].map((share) => Math.round(share * 1000) / 1000)).toEqual([
      0.1, 0.167, 0.9, 0.833,
    ]);
    expect(decode(bytes)).toContain('<g><ellipse');
  });

  const box = (inner: string, more = 'width="100" height="100"') => {
    const [link] = cleaned(`<svg ${NS} ${more}>${inner}</svg>`).links;
    const corners = link?.box;
    return (
      corners &&
      [corners.left, corners.top, corners.right, corners.bottom].map(
        (share) => Math.round(share * 100) / 100 || 0,
      )
    );
  };
  const RECT = '<rect x="10" y="20" width="30" height="40"/>';
  test.each<[string, string, number[] | null, string?]>([
    ['a rectangle', `<a href="x">${RECT}</a>`, [0.1, 0.2, 0.4, 0.6]],
    [
      'a moved rectangle',
      `<g transform="translate(10 10)"><a href="x" transform="scale(.5)">${RECT}</a></g>`,
      [0.15, 0.2, 0.3, 0.4],
    ],
    [
      'a turned rectangle',
      `<a href="x"><rect width="10" height="20" transform="rotate(90) translate(0 -50)"/></a>`,
      [0.3, 0, 0.5, 0.1],
    ],
    [
      'several shapes',
      `<a href="x"><circle cx="10" cy="10" r="5"/><line x1="50" y1="90" x2="60" y2="80"/></a>`,
      [0.05, 0.05, 0.6, 0.9],
    ],
    ['a path', '<a href="x"><path d="M10 10 h20 v30 z"/></a>', [0.1, 0.1, 0.3, 0.4]],
    ['a polygon', '<a href="x"><polygon points="10,10 30,10 20,50"/></a>', [0.1, 0.1, 0.3, 0.5]],
    ['words', '<a href="x"><text x="10" y="50" font-size="10">abcde</text></a>', [0.1, 0.42, 0.4, 0.52]],
    [
      'words in the middle',
      '<g font-size="10"><a href="x"><text x="50" y="50" text-anchor="middle">abcde</text></a></g>',
      [0.35, 0.42, 0.65, 0.52],
    ],
    [
      'a used part',
      `<defs><rect id="r" width="10" height="10"/></defs><a href="x"><use href="#r" x="20" y="30"/></a>`,
      [0.2, 0.3, 0.3, 0.4],
    ],
    [
      'a view box',
      `<a href="x">${RECT}</a>`,
      [0.3, 0.2, 0.45, 0.6],
      'width="200" height="100" viewBox="0 0 100 100"',
    ],
    [
      'a view box that is stretched',
      `<a href="x">${RECT}</a>`,
      [0.1, 0.2, 0.4, 0.6],
      'width="200" height="100" viewBox="0 0 100 100" preserveAspectRatio="none"',
    ],
    [
      'a view box at the left',
      `<a href="x">${RECT}</a>`,
      [0.05, 0.2, 0.2, 0.6],
      'width="200" height="100" viewBox="0 0 100 100" preserveAspectRatio="xMinYMin"',
    ],
    ['a view box alone', `<a href="x">${RECT}</a>`, [0, 0.1, 0.3, 0.5], 'viewBox="10 10 100 100"'],
    ['a part that is not drawn', `<defs><a href="x">${RECT}</a></defs>`, null],
    ['nothing', '<a href="x"></a>', null],
  ])('have the box of %s', (...[, inner, corners, more]) =>
    expect(box(inner, more) ?? null).toEqual(corners),
  );

  test('are called what they say', () => {
    const names =
      cleaned(`<svg ${NS} width="9" height="9"><a href="x" aria-label="North ">${RECT}</a><a href="x"><title>South</title>${RECT}</a>
      <a href="x" xlink:title="East">${RECT}</a><a href="x"><text>West\n pier</text></a><a>${RECT}</a></svg>`).links;
    expect(names.map(({ name }) => name)).toEqual(['North', 'South', 'East', 'West pier']);
  });
});

describe('a picture', () => {
  test('is told by its content', () => {
    expect(readPicture(PIXEL)).toMatchObject({ type: 'image/png', size: { width: 1, height: 1 } });
    expect(readPicture(encode('GIF89a\u0001\u0000\u0001\u0000'))).toMatchObject({ type: 'image/gif' });
    expect(
      readPicture(
        encode(`<!-- a licence --><s:svg xmlns:s="http://www.w3.org/2000/svg" width="2" height="1"/>`),
      ),
    ).toMatchObject({
      type: 'image/svg+xml',
      size: { width: 2, height: 1 },
    });
    expect(readPicture(encode('nothing'))).toHaveProperty('fault');
    expect(readPicture(encode(`<svg ${NS}/>`))).toEqual({ fault: 'the drawing tells no size' });
  });

  // What begins like a picture and goes no further.
  test.each([
    'BM',
    'II*\0',
    'MM\0*',
    'RIFF\0\0\0\0WEBPVP8 ',
    'RIFF\0\0\0\0WEBPVP8X',
    '\x89PNG\r\n\x1a\n',
    '\xff\xd8\xff',
    'GIF8',
  ])('that is cut short is no picture: %j', (head) =>
    expect(readPicture(Uint8Array.from(head, (sign) => sign.charCodeAt(0)))).toHaveProperty('fault'),
  );
});

describe('a file that goes into a book', () => {
  const page = (text: string, type = 'text/html') => {
    const made = harmless(type, encode(text));
    return 'bytes' in made ? decode(made.bytes) : made.fault;
  };

  test('is as it was when nothing could run in it', () => {
    const bytes = encode('<script>');
    expect(harmless('text/plain', bytes)).toEqual({ bytes });
    expect(harmless('application/pdf', bytes)).toEqual({ bytes });
  });

  test.each(['text/html', 'application/xhtml+xml'])('is a page without what could run: %s', (type) => {
    const clean = page(
      `<html lang="en"><head><title>Tides &eacute;</title><script>a()</script><meta http-equiv="refresh" content="0;url=javascript:a()"><base href="https://f.example/">
       <link rel="stylesheet" href="https://f.example/a.css"></head><body onload="a()" style="background:url(https://f.example/)"><h1 id="t">Tides</h1>
       <p>At <a href="https://harbour.example/">the harbour</a>, <a href="java&#10;script:a()">here</a><br><img src="https://f.example/p.png"><img src="data:image/svg+xml;base64,x">
       <iframe src="https://f.example/"></iframe><svg><script>a()</script></svg><math href="javascript:a()">x</math></p></body></html>`,
      type,
    );
    expect(clean).not.toMatch(/script|f\.example|onload|<(?:img|iframe|svg|math|link|meta|base)/);
    expect(clean).toMatch(/<h1 id="t">Tides<\/h1>/);
    expect(clean).toMatch(/<a href="https:\/\/harbour\.example\/">the harbour<\/a>/);
    const read = new JSDOM(clean, { contentType: 'application/xhtml+xml' }).window.document;
    expect(read.title).toBe('Tides é');
  });

  test('is XML of its own kind without instructions and without pages in it', () => {
    const gpx = page(
      `<?xml version="1.0"?><?xml-stylesheet href="a.xsl"?><!DOCTYPE gpx [<!ENTITY x "y">]><gpx xmlns="http://www.topografix.com/GPX/1/1" xmlns:h="http://www.w3.org/1999/xhtml">
      <wpt lat="1" lon="2"><name>Pier &amp; lamp</name><h:script>a()</h:script></wpt></gpx>`,
      'application/gpx+xml',
    );
    expect(gpx).not.toMatch(/script|xsl|ENTITY/);
    expect(gpx).toContain('<wpt lat="1" lon="2"><name>Pier &amp; lamp</name></wpt>');
  });

  test('is refused when it nests too deep', () => {
    const deep = (tag: string) => `<${tag}>`.repeat(20_000);
    expect(page(`<x>${deep('y')}`, 'application/xml')).toMatch(/more than 200 levels/);
    expect(page(deep('div')).length).toBeLessThan(10_000);
  });
});
