import { describe, expect, test } from '@jest/globals';
import { NOWHERE } from '../../destination/index.js';
import { linksOfChapter, readChapter, type LinkArea } from '../../manuscript/index.js';
import { counter } from '../../testing/books.js';
import { epubFiles, PIXEL, zip } from '../../testing/zip.js';
import { bringIn } from '../index.js';

const CHART = '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200" viewBox="0 0 400 200"/>';

function brought(body: string, more: Record<string, string> = {}) {
  const files = epubFiles({ 'one.xhtml': `<body>${body}</body>` }, { 'OEBPS/chart.svg': CHART, ...more });
  const result = bringIn({ name: 'book.epub', bytes: zip(files) }, counter());
  const chapter = readChapter(result.book.chapters[0]!);
  const areas: LinkArea[] = [];
  chapter.doc.descendants((node) => void areas.push(...((node.attrs.areas as LinkArea[] | undefined) ?? [])));
  return { ...result, areas, links: linksOfChapter(chapter.doc, chapter.id) };
}

describe('parts of pictures that come with a book', () => {
  test('as an image map become areas, in shares of the picture as it is shown (HTML, 4.8.13)', () => {
    const { areas, report } = brought(
      `<p><img src="chart.svg" width="200" height="100" alt="Chart" usemap="#m"/></p><map name="m">
       <area shape="rect" coords="20,10,60,50" href="https://a.example/" alt="North" title="Note"/>
       <area shape="circle" coords="100,50,20" href="#top" alt="Middle"/>
       <area shape="poly" coords="150,10,190,50,150,90" href="mailto:joe@a.example" alt="East"/>
       <area shape="rect" coords="0,0,9,9" href="javascript:x()" alt="Bad"/></map><h1 id="top">One</h1>`,
    );
    expect(areas).toMatchObject([
      {
        name: 'North',
        hoverNote: 'Note',
        x: 0.1,
        y: 0.1,
        width: 0.2,
        height: 0.4,
        destination: { kind: 'web' },
      },
      { name: 'Middle', x: 0.4, y: 0.3, width: 0.2, height: 0.4, destination: { kind: 'place' } },
      { name: 'East', x: 0.75, y: 0.1, width: 0.2, height: 0.8, destination: { kind: 'mail' } },
    ]);
    expect(report.changed).toContainEqual({
      what: 'parts of pictures',
      count: 2,
      why: 'they became rectangles',
    });
    expect(report.leftOut.map(({ why }) => why).join()).toContain('javascript:');
  });

  test('without a size of its own are measured by the picture’s pixels', () => {
    const { areas } = brought(
      '<p><img src="chart.svg" alt="Chart" usemap="#m"/></p><map name="m"><area coords="0,0,400,100" href="https://a.example/" alt="Upper half"/></map>',
    );
    expect(areas).toMatchObject([{ x: 0, y: 0, width: 1, height: 0.5 }]);
  });

  test('as links that lie over the picture become areas with their frames', () => {
    const { areas, links } = brought(
      '<figure><div style="position:relative"><a href="https://w.example/"><img src="chart.svg" alt="Chart"/></a><a href="https://a.example/" style="left: 10%; top: 20%; width: 30%; height: 40%; border: 2pt dashed #AA3300"><span>North</span></a></div><figcaption>Cap</figcaption></figure>',
    );
    expect(areas).toMatchObject([
      {
        name: 'North',
        x: 0.1,
        y: 0.2,
        width: 0.3,
        height: 0.4,
        frame: { line: 'dashed', width: 2, colour: '#aa3300' },
      },
    ]);
    expect(links.map(({ carrier }) => carrier)).toEqual(['picture', 'area']);
  });
});

describe('the links of a drawing', () => {
  const NS = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
  const MAP = `<svg ${NS} width="400" height="200"><a xlink:href="https://north.example/" aria-label="North"><rect x="40" y="20" width="80" height="100"/></a>
    <a href="../one.xhtml#pier"><title>The pier</title><circle cx="300" cy="100" r="50"/></a><a href="#part"><path d="M0 0h9"/></a><a href="https://nowhere.example/"></a></svg>`;

  test('become areas of the picture, wherever the drawing stands', () => {
    const { areas, report, enclosures } = brought(
      '<p id="pier">Pier</p><figure><img src="images/map.svg" alt="Map"/></figure>',
      { 'OEBPS/images/map.svg': MAP },
    );
    expect(areas).toMatchObject([
      {
        name: 'North',
        destination: { kind: 'web', href: 'https://north.example/' },
        x: 0.1,
        y: 0.1,
        width: 0.2,
        height: 0.5,
      },
      {
        name: 'The pier',
        destination: { kind: 'place', place: 'pier' },
        x: 0.625,
        y: 0.25,
        width: 0.25,
        height: 0.5,
      },
    ]);
    expect(new TextDecoder().decode(enclosures[0]!.bytes)).not.toContain('north.example');
    expect(report.leftOut.map(({ count, why }) => [count, why])).toEqual([
      [1, 'they led to a part of a drawing'],
      [1, 'they stood in a drawing, and where can’t be told'],
    ]);
  });

  test('become areas where the drawing stands in the text, in a figure of its own', () => {
    const { areas } = brought(`<p id="pier">Pier</p><div>${MAP.replace('../one', 'one')}</div>`);
    expect(areas.map(({ name }) => name)).toEqual(['North', 'The pier']);
  });
});

describe('a picture that breaks off', () => {
  test('is left out, and its words stay', () => {
    const files = epubFiles(
      { 'one.xhtml': '<body><p>At <img src="p.png" alt="the pier"/></p></body>' },
      { 'OEBPS/p.png': PIXEL },
    );
    const { book, enclosures, report } = bringIn({ name: 'book.epub', bytes: zip(files) }, counter(), {
      isWhole: () => false,
    });
    expect(enclosures).toEqual([]);
    expect(readChapter(book.chapters[0]!).doc.textContent).toBe('At the pier');
    expect(report.leftOut).toEqual([{ what: 'pictures', count: 1, why: 'the picture’s data is broken' }]);
  });
});

describe('files that come with a book', () => {
  test('are cleaned when they are drawings', () => {
    const { enclosures } = brought('<p><a href="d.svg">drawing</a></p>', {
      'OEBPS/d.svg': '<svg xmlns="http://www.w3.org/2000/svg" onload="a()"><script>a()</script></svg>',
    });
    expect(new TextDecoder().decode(enclosures[0]!.bytes)).not.toMatch(/script|onload/);
  });

  test('become enclosures when links lead to them, each once', () => {
    const { enclosures, links, report } = brought(
      '<p><a href="files/tides.csv">one</a> <a href="files/tides.csv#row=2">two</a> <a href="files/gone.csv">three</a> <a href="package.opf">four</a></p>',
      { 'OEBPS/files/tides.csv': 'a,b' },
    );
    expect(enclosures.map(({ name }) => name)).toEqual(['tides.csv']);
    const enclosure = enclosures[0]!.id;
    expect(links.map(({ destination }) => destination)).toEqual([
      { kind: 'file', enclosure },
      { kind: 'file', enclosure, fragment: 'row=2' },
      ...Array.from({ length: 2 }, () => ({ kind: 'place', place: NOWHERE })),
    ]);
    expect(report.changed).toMatchObject([{ what: 'links', count: 2 }]);
  });
});
