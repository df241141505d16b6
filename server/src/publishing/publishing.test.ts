import { readFileSync } from 'node:fs';
import { rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { epubFiles, PIXEL, zip } from '@vennet/core/testing';
import { addressesInPdf, epubFaults, run } from '../testing/readers.js';
import type { Format } from '@vennet/core/manuscript';
import type { ExportJob } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const ended = (job: ExportJob) => job.state !== 'running' && job.state !== 'waiting';

async function make(book: string, format: Format): Promise<ExportJob> {
  const { status, body } = await app.call<{ id: string }>('POST', `books/${book}/exports`, { format });
  expect(status).toBe(202);
  return until(() => app.api.export(body.id), ended);
}

async function fileOf(job: ExportJob): Promise<string> {
  const response = await fetch(`${app.address}/api/exports/${job.id}/file`);
  expect(response.headers.get('content-disposition')).toContain(job.fileName);
  const path = join(app.directory, job.fileName);
  await writeFile(path, new Uint8Array(await response.arrayBuffer()));
  return path;
}

const LONG = 'a link whose words go on and on over more than one line of the page, as some do '
  .repeat(3)
  .trim();
/** One chapter with everything that a chapter can hold. */
const RICH = `<body><h1 id="one">One &amp; only</h1><h3>Skips a level</h3>
  <p>Text <a href="https://a.example/?x=1&amp;y=2#z">plain</a>, <a href="https://b.example/"><em>empha</em>sised</a>, <a href="https://c.example/">${LONG}</a>,
  <a href="mailto:joe@lamp.example?subject=Low%20water">write</a>, <a href="#deep">down</a>, <a href="two.xhtml">over</a>, <a href="two.xhtml#spot">to a spot</a>, <a href="https://d.example/"></a>, <a href="https://e.example/%C3%BC">ü ſ ﬁ</a></p>
  <ul><li>one <a href="https://f.example/">in a list</a><ol start="3"><li>nested</li></ol></li></ul>
  <blockquote><p id="deep">Quoted <a href="https://g.example/">link</a></p></blockquote>
  <pre>code  with   spaces
  and <a href="https://h.example/">a link</a></pre>
  <table><caption>Hours</caption><tr><th>A</th><th>B</th></tr><tr><td rowspan="2">x</td><td><a href="https://i.example/">cell</a></td></tr><tr><td colspan="4">y</td></tr></table>
  <figure><a href="https://j.example/"><img src="p.png" alt="A dot"/></a><figcaption>See <a href="https://k.example/">caption</a></figcaption></figure><hr/></body>`;
const book = () =>
  zip(
    epubFiles(
      {
        'one.xhtml': RICH,
        'two.xhtml':
          '<body><p>No heading, <span id="spot">spot</span> <a href="one.xhtml#one">back</a></p></body>',
      },
      { 'OEBPS/p.png': PIXEL },
    ),
  );

describe('a book with everything in it', () => {
  let id: string;
  let hrefs: string[];
  beforeAll(async () => {
    id = (await app.upload('rich.epub', book())).body.id;
    hrefs = (await app.api.links(id)).map(({ href }) => href);
  });

  test('becomes an e-book in which EPUBCheck finds nothing and every link is', async () => {
    const job = await make(id, 'epub');
    expect(job).toMatchObject({
      state: 'done',
      proof: { expected: hrefs.length, found: hrefs.length, lost: [], changed: [], added: [] },
    });
    expect(await epubFaults(await fileOf(job))).toEqual([]);
  }, 120_000);

  test('becomes a PDF that qpdf finds sound and in which poppler finds the same addresses', async () => {
    const job = await make(id, 'pdf');
    expect(job).toMatchObject({
      state: 'done',
      notes: [],
      proof: { expected: hrefs.length, found: hrefs.length, lost: [], changed: [], added: [] },
    });
    const path = await fileOf(job);
    expect((await run('qpdf', ['--check', path])).stdout).toContain('No syntax or stream encoding errors');
    const outside = hrefs.filter((href) => !href.startsWith('#'));
    expect(new Set(await addressesInPdf(path))).toEqual(new Set(outside));
    const { stdout } = await run('pdfinfo', [path]);
    expect(stdout).toMatch(/Tagged:\s+yes/);
    expect(stdout).toMatch(/Title:\s+Lamps & tides/);
  }, 120_000);

  test('shows beforehand what would be different', async () => {
    const forms = await app.api.forms(id);
    expect(forms.map(({ format, losses }) => [format, losses.map(({ what }) => what)])).toEqual([
      ['epub', []],
      ['pdf', ['link without words']],
      ['web', []],
      ['docx', []],
      ['odt', []],
      ['markdown', []],
    ]);
  });

  test.each([
    ['docx', 'application/vnd.openxmlformats-officedocument.wordprocessingml.document', 'PK'],
    ['odt', 'application/vnd.oasis.opendocument.text', 'PK'],
    ['markdown', 'application/zip', 'PK'], // since the book has a picture
  ] as const)(
    'is made as %s, with every link, and comes in again with them',
    async (format, type, begins) => {
      const job = await make(id, format);
      expect(job.proof).toMatchObject({ lost: [], changed: [], added: [] });
      const response = await fetch(`${app.address}/api/exports/${job.id}/file`);
      expect(response.headers.get('content-type')).toContain(type);
      const bytes = new Uint8Array(await response.arrayBuffer());
      expect(new TextDecoder().decode(bytes.slice(0, begins.length))).toBe(begins);
      const again = (await app.upload(job.fileName, bytes)).body.id;
      const hrefs = async (book: string) =>
        (await app.api.links(book)).flatMap(({ kind, href }) => (kind === 'web' ? [href] : [])).sort();
      expect(await hrefs(again)).toEqual(await hrefs(id));
    },
  );
});

describe('a link that leads nowhere', () => {
  test('is reported lost in both forms, with its words kept', async () => {
    const { id } = (
      await app.upload(
        'b.html',
        pageWithLinks([
          ['nowhere', '#gone'],
          ['there', 'https://a.example/'],
        ]),
      )
    ).body;
    for (const format of ['epub', 'pdf'] as const) {
      const job = await make(id, format);
      expect(job.proof).toMatchObject({
        expected: 2,
        found: 1,
        lost: [{ text: 'nowhere', href: '#missing-gone' }],
      });
    }
  });
});

describe('signs that no font has', () => {
  test('do not stop the PDF; the author is told once, and no link is blamed for them', async () => {
    const { id } = (await app.upload('b.html', pageWithLinks([['\u{ff000}', 'https://a.example/']]))).body;
    expect(await make(id, 'pdf')).toMatchObject({
      state: 'done',
      proof: { expected: 1, found: 1, lost: [], changed: [], added: [] },
      notes: [expect.stringContaining('\u{ff000}')],
    });
  });
});

describe('an export that fails', () => {
  test('says why, and the last good file stays; what can’t be set in its form is named', async () => {
    const { id } = (
      await app.upload(
        's.epub',
        zip(
          epubFiles(
            {
              'a.xhtml': '<body><h1>Fine</h1></body>',
              'b.xhtml': '<body><h1>The drawing</h1><p><img src="d.png" alt="d"/></p></body>',
            },
            { 'OEBPS/d.png': PIXEL },
          ),
        ),
      )
    ).body;
    const good = await make(id, 'pdf');
    expect(good.state).toBe('done');
    // What can't be set is put in place behind the server's back: bringing in would not let it through.
    const { body } = await app.call<{
      chapters: { doc: { content: { type: string; attrs: { enclosure?: string } }[] } }[];
    }>('GET', `books/${id}`);
    const picture = body.chapters[1]!.doc.content.find(({ type }) => type === 'figure')?.attrs.enclosure;
    const stored = await fetch(`${app.address}/api/enclosures/${picture}`);
    expect(stored.headers.get('content-security-policy')).toContain('sandbox');
    const { createHash } = await import('node:crypto');
    const sha256 = createHash('sha256')
      .update(new Uint8Array(await stored.arrayBuffer()))
      .digest('hex');
    const path = join(app.directory, 'enclosures', sha256.slice(0, 2), sha256);
    await writeFile(path, 'broken');
    const plain = await make(id, 'pdf');
    expect(plain.state).toBe('done');
    expect(plain.notes[0]).toMatch(/^The figure “d” in the chapter “The drawing” can’t be set in its form/);
    await rm(path);
    const bad = await make(id, 'pdf');
    expect(bad.state).toBe('failed');
    expect(bad.message).toMatch(/d\.png/);
    expect((await fetch(`${app.address}/api/exports/${good.id}/file`)).status).toBe(200);
    expect((await app.call('GET', `exports/${bad.id}/file`)).status).toBe(409);
  });
});

test('an export can be stopped', async () => {
  const words = '<p>' + 'Words of a long book that takes its time. '.repeat(200) + '</p>';
  const { id } = (await app.upload('long.html', `<html><body><h1>Long</h1>${words.repeat(60)}</body></html>`))
    .body;
  const { body } = await app.call<{ id: string }>('POST', `books/${id}/exports`, { format: 'pdf' });
  expect((await app.call('POST', `books/${id}/exports`, { format: 'pdf' })).status).toBe(409);
  await app.api.stopExport(body.id);
  const job = await until(() => app.api.export(body.id), ended);
  expect(job.state).toBe('stopped');
});

describe('a book over which the typesetter’s process ends', () => {
  /** Ends the processes of this one that make files. */
  function endPublishing(): void {
    const children = readFileSync(`/proc/${process.pid}/task/${process.pid}/children`, 'utf8').trim();
    for (const pid of children === '' ? [] : children.split(' '))
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('publish.process.js'))
        process.kill(Number(pid), 'SIGKILL');
  }

  test('fails with its chapter named; the server goes on, and so do other books', async () => {
    const words = `<p>${'Words of a chapter that takes its time. '.repeat(400)}</p>`.repeat(40);
    const files = epubFiles({
      'one.xhtml': `<body><h1>Long words</h1>${words}</body>`,
      'two.xhtml': `<body><h1>More words</h1>${words}</body>`,
    });
    const { id } = (await app.upload('long.epub', zip(files))).body;
    const { body } = await app.call<{ id: string }>('POST', `books/${id}/exports`, { format: 'pdf' });
    const stage = (wanted: string) =>
      until(
        () => app.api.export(body.id),
        (job) => job.stage === wanted || ended(job),
      );
    await stage('Setting the pages');
    endPublishing();
    await stage('Setting chapter by chapter');
    endPublishing();
    const failed = await until(() => app.api.export(body.id), ended);
    expect(failed).toMatchObject({
      state: 'failed',
      message: expect.stringMatching(
        /“(?:Long|More) words” can’t be made: the work broke down over it, twice/,
      ) as unknown,
    });
    expect((await app.call('GET', 'health')).status).toBe(200);
    expect((await make(id, 'epub')).state).toBe('done');
    const { id: other } = (await app.upload('other.html', pageWithLinks([['a', 'https://a.example/']]))).body;
    expect((await make(other, 'pdf')).state).toBe('done');
  }, 120_000);

  test('is published since marks are bounded: 100,000 on one letter broke the typesetter', async () => {
    const page = `<html><body><h1>Marks</h1><p>e${'\u0301'.repeat(100_000)}</p></body></html>`;
    const { id } = (await app.upload('marks.html', page)).body;
    expect(await make(id, 'pdf')).toMatchObject({ state: 'done' });
  }, 60_000);
});
