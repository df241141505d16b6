import { describe, expect, test } from '@jest/globals';
import { linksOfChapter, readChapter, type LinkArea } from '../../manuscript/index.js';
import { counter } from '../../testing/books.js';
import { epubFiles, zip } from '../../testing/zip.js';
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

describe('files that come with a book', () => {
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
    ]);
    expect(report.leftOut).toMatchObject([{ what: 'links', count: 2 }]);
  });
});
