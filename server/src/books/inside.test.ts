import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  DEFAULT_STRUCTURE,
  readChapter,
  schema,
  SCHEMA_VERSION,
  type Structure,
} from '@vennet/core/manuscript';
import {
  bookmarked,
  contents,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
  table,
} from '@vennet/core/testing';
import type { ExportJob, Problem, RepairDone, VersionedChapter } from '@vennet/core/wire';
import { startTestApp, until, type TestApp } from '../testing/app.js';
import { epubFaults, run } from '../testing/readers.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

type Block = ReturnType<typeof paragraph>;
const docOf = (...blocks: Block[]) => schema.node('doc', null, blocks).toJSON() as object;
const read = async (book: string) => await app.api.manuscript(book);
const titles = async (book: string) => (await read(book)).chapters.map(({ title }) => title);

/** A book of chapters, each of these blocks. */
async function bookWith(...chapters: Block[][]): Promise<{ id: string; chapters: VersionedChapter[] }> {
  const { id } = await app.api.startBook({ title: 'Inside' });
  for (let count = 1; count < chapters.length; count++) await app.api.addChapter(id, { title: '' });
  const { chapters: made } = await read(id);
  for (const [index, blocks] of chapters.entries()) {
    const body = { version: 1, doc: docOf(...blocks) };
    expect((await app.call('PUT', `chapters/${made[index]!.id}`, body)).status).toBe(200);
  }
  return { id, chapters: (await read(id)).chapters };
}

describe('the order of a book', () => {
  test('is changed as a whole; a list of other chapters is refused', async () => {
    const { id, chapters } = await bookWith([heading(1, 'One')], [heading(1, 'Two')], [heading(1, 'Three')]);
    const order = [chapters[2], chapters[0], chapters[1]].map((chapter, index) => ({
      id: chapter!.id,
      matter: index === 0 ? 'front' : 'main',
    }));
    expect((await app.call('PUT', `books/${id}/outline`, { chapters: order })).status).toBe(204);
    expect(await titles(id)).toEqual(['Three', 'One', 'Two']);
    expect((await read(id)).chapters[0]!.matter).toBe('front');
    const refused = await app.call<Problem>('PUT', `books/${id}/outline`, { chapters: order.slice(1) });
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toMatch(/Nothing was moved/);
    expect(await titles(id)).toEqual(['Three', 'One', 'Two']);
  });

  test('is part of what a snapshot brings back; chapters that came since stay', async () => {
    const { id, chapters } = await bookWith(
      [heading(1, 'One', 'one'), heading(2, 'Part', 'part'), paragraph('of it')],
      [heading(1, 'Two', 'two')],
    );
    const move = {
      from: { chapter: chapters[0]!.id, section: 'part' },
      to: { chapter: chapters[1]!.id, before: null },
    };
    const { body: done } = await app.call<RepairDone>('POST', `books/${id}/sections/move`, move);
    expect(done.changed).toBe(2);
    await app.api.addChapter(id, { title: 'New', after: chapters[0]!.id });
    const now = (await read(id)).chapters;
    await app.api.arrange(
      id,
      [...now].reverse().map((chapter) => ({ id: chapter.id, matter: 'main' })),
    );
    expect(await titles(id)).toEqual(['Two', 'New', 'One']);
    await app.api.restore(id, done.snapshot!);
    expect(await titles(id)).toEqual(['One', 'Two', 'New']);
    expect((await read(id)).chapters.slice(0, 2).map(({ doc }) => doc)).toEqual(
      chapters.map(({ doc }) => doc),
    );
  });
});

describe('a section', () => {
  test('moves into another chapter with everything that leads to it; nothing moves where it can’t', async () => {
    const { id, chapters } = await bookWith(
      [heading(1, 'One', 'one'), heading(2, 'Part', 'part'), paragraph(bookmarked('here', 'here', 'Here'))],
      [
        heading(1, 'Two', 'two'),
        paragraph(linked('the lamps', place('here'), 'k'), reference('part', 'words', 'r')),
      ],
    );
    const move = (section: string) => ({
      from: { chapter: chapters[0]!.id, section },
      to: { chapter: chapters[1]!.id, before: null },
    });
    expect((await app.call('POST', `books/${id}/sections/move`, move('gone'))).status).toBe(422);
    expect((await app.call('POST', `books/${id}/sections/move`, move('part'))).status).toBe(200);
    const links = await app.api.links(id);
    expect(links.map(({ href, text, verdict, findings }) => [href, text, verdict, findings])).toEqual([
      ['#here', 'the lamps', 'sound', []],
      ['#part', 'Part', 'sound', []],
    ]);
    expect(await app.api.findings(id)).toEqual([]);
  });
});

describe('the structure of a book', () => {
  test('is kept, and refused when it is none', async () => {
    const { id } = await bookWith([heading(1, 'One', 'one')]);
    const structure: Structure = { ...DEFAULT_STRUCTURE, numbering: 'parts' };
    expect((await app.call('PATCH', `books/${id}`, { structure })).status).toBe(204);
    expect((await read(id)).structure).toEqual(structure);
    const wrong = { ...structure, numbering: 'greek' };
    const refused = await app.call<Problem>('PATCH', `books/${id}`, { structure: wrong });
    expect(refused).toMatchObject({ status: 422, body: { path: 'structure.numbering' } });
    expect((await read(id)).structure).toEqual(structure);
  });

  test('gives places their numbers, and says on which pages they would stand', async () => {
    const { id } = await bookWith(
      [heading(1, 'One', 'one'), paragraph('x'), heading(2, 'Part', 'part')],
      [heading(1, 'Two', 'two')],
    );
    await app.api.changeBook(id, { structure: { ...DEFAULT_STRUCTURE, numbering: 'decimal' } });
    const places = await app.api.places(id);
    expect(places.filter(({ label }) => label !== '').map((one) => one.label)).toEqual([
      '1',
      '1',
      '1.1',
      '2',
      '2',
    ]);
    const pages = new Map(await app.api.pages(id));
    expect(['one', 'part', 'two'].map((one) => pages.get(one))).toEqual(['1', '1', '2']);
  });
});

describe('repairs inside', () => {
  test('are made on the server and can be taken back', async () => {
    const { id, chapters } = await bookWith([paragraph(bookmarked('low', 'low', 'Low'))]);
    const [found] = (
      await app.call<
        { subject: { id: string; at: number; chapter: string }; repairs: { repair: object }[] }[]
      >(...(['GET', `books/${id}/findings`] as const))
    ).body;
    const done = await app.call<RepairDone>('POST', `books/${id}/inside-repairs`, {
      target: found!.subject,
      repair: found!.repairs[0]!.repair,
    });
    expect(done.body.changed).toBe(1);
    expect(await app.api.findings(id)).toEqual([]);
    await app.api.restore(id, done.body.snapshot!);
    expect((await read(id)).chapters[0]!.doc).toEqual(chapters[0]!.doc);
    const unknown = { target: found!.subject, repair: { type: 'explode' } };
    expect((await app.call('POST', `books/${id}/inside-repairs`, unknown)).status).toBe(422);
  });

  test('make real notes of hand-made ones all over the book', async () => {
    const item = schema.node('list_item', { id: 'f1' }, [paragraph('So it is said.')]);
    const { id, chapters } = await bookWith(
      [heading(1, 'One', 'one'), paragraph('The moon', linked('1', place('f1'), 'k1'))],
      [heading(1, 'Notes', 'notes'), schema.node('ordered_list', null, [item])],
    );
    const { body } = await app.call<RepairDone>('POST', `books/${id}/repairs`, {
      target: { links: ['k1'] },
      repair: { type: 'make-note' },
    });
    expect(body.changed).toBe(1);
    // Nothing was left of the second chapter.
    expect(await titles(id)).toEqual(['One']);
    expect(JSON.stringify((await read(id)).chapters[0]!.doc)).toContain('"note"');
    await app.api.restore(id, body.snapshot!);
    expect((await read(id)).chapters.map(({ doc }) => doc)).toEqual(chapters.map(({ doc }) => doc));
  });
});

describe('notes that were made of remarks, when that is taken back', () => {
  const remark = (id: string, sign: string, words: string, back: string) =>
    schema.node('paragraph', { id }, [
      schema.text(`${sign} ${words} `),
      linked('↩', place(back), `back-${id}`),
    ]);
  const anchor = (id: string) => schema.node('anchor', { id });

  /** Makes the notes, writes in the first one, and takes the making back. */
  async function thereAndBack(...blocks: Block[][]) {
    const { id, chapters } = await bookWith(...blocks);
    const { body } = await app.call<RepairDone>('POST', `books/${id}/repairs`, {
      target: { links: ['k1', 'k2'] },
      repair: { type: 'make-note' },
    });
    expect(body.changed).toBe(2);
    const first = (await read(id)).chapters[0]!;
    const insert = (after: string, words: string) => {
      const text = readChapter(first).doc;
      let at = 0;
      text.descendants((node, position) => {
        const offset = node.text?.indexOf(after) ?? -1;
        if (offset >= 0) at ||= position + offset + after.length;
      });
      return { stepType: 'replace', from: at, to: at, slice: { content: [{ type: 'text', text: words }] } };
    };
    await app.api.sendSteps(first.id, {
      batch: crypto.randomUUID(),
      window: 'one',
      version: first.version,
      schema: SCHEMA_VERSION,
      steps: [insert('At nine', ', exactly, by the old clock'), insert('The ', 'full ')],
    });
    const taken = await app.api.takeBack(id, body.change!);
    expect(taken.left).toEqual([]);
    const now = (await read(id)).chapters;
    expect(now).toHaveLength(chapters.length);
    const asBefore = JSON.stringify(now.map((chapter) => chapter.doc))
      .replace('At nine, exactly, by the old clock.', 'At nine.')
      .replace('The full moon', 'The moon');
    expect(JSON.parse(asBefore)).toEqual(chapters.map((chapter) => chapter.doc));
    // And that is a change like any other.
    await app.api.takeBack(id, taken.change!);
    const again = JSON.stringify((await read(id)).chapters[0]!.doc);
    expect(again).toContain('"note"');
    expect(again).toContain('At nine, exactly, by the old clock.');
  }

  const text = paragraph(
    'The moon',
    anchor('m1'),
    linked('1', place('r1'), 'k1'),
    ' and the sun',
    anchor('m2'),
    linked('2', place('r2'), 'k2'),
  );
  const remarks = [remark('r1', '1', 'At nine.', 'm1'), remark('r2', '2', 'At three.', 'm2')];

  test('go back into their remarks with the words that they have by now', () =>
    thereAndBack([heading(1, 'One', 'one'), text, heading(2, 'Notes', 'notes'), ...remarks]));

  test('go back into a chapter that was left empty by it', () =>
    thereAndBack([heading(1, 'One', 'one'), text], [heading(1, 'Notes', 'notes'), ...remarks]));
});

test('a note that was put in anew since stays with its words, and making notes is taken back all around it', async () => {
  const { id } = await bookWith([
    heading(1, 'One', 'one'),
    paragraph('The moon', linked('1', place('r1'), 'k1'), ' shines.'),
    heading(2, 'Notes', 'notes'),
    schema.node('paragraph', { id: 'r1' }, [schema.text('1 At nine.')]),
  ]);
  const { body } = await app.call<RepairDone>('POST', `books/${id}/repairs`, {
    target: { links: ['k1'] },
    repair: { type: 'make-note' },
  });
  const first = (await read(id)).chapters[0]!;
  // One step from before the note to within it: a whole text that was changed elsewhere.
  const doc = JSON.parse(
    JSON.stringify(first.doc)
      .replace('The moon', 'The full moon')
      .replace('At nine.', 'At nine, by the old clock.'),
  ) as object;
  await app.api.saveChapter(first.id, { version: first.version, doc });
  const taken = await app.api.takeBack(id, body.change!);
  const text = JSON.stringify((await read(id)).chapters[0]!.doc);
  expect(text).toContain('At nine, by the old clock.');
  expect(text).toContain('The full moon');
  expect(taken.left.length).toBeGreaterThan(0);
});

describe('a book that leads inside in every way', () => {
  const blocks = [
    [
      heading(1, 'Tides', 'tides'),
      contents({ back: true }, 'toc'),
      paragraph(
        'The moon',
        note('n1', 'It pulls.', ['See ', linked('oil', place('oil'), 'k1'), '.']),
        ' again',
        noteMark('n1', 'm1'),
      ),
      heading(2, 'Springs', 'springs'),
      paragraph(
        bookmarked('low water', '低い水', 'Low'),
        ' ',
        reference('hours', 'number', 'r1'),
        ' ',
        reference('oil', 'page', 'r2'),
        ' ',
        reference('oil', 'own', 'r3', '{where}, {number}'),
      ),
    ],
    [
      heading(1, 'Lamps', 'lamps'),
      heading(2, 'Oil', 'oil'),
      paragraph(
        linked('low', place('低い水'), 'k2'),
        note('n2', 'Later.'),
        ' ',
        schema.node('return_link', { id: 'b', to: 'origin' }),
      ),
      table(
        'hours',
        'Safe hours',
        linked('top', place('book-top'), 'k3'),
        linked('contents', place('book-contents'), 'k4'),
      ),
    ],
  ];
  const structures: [string, Partial<Structure>][] = [
    ['notes at the foot of pages', { numbering: 'decimal' }],
    [
      'notes after each chapter',
      { notes: { count: 'book', stand: 'chapter', back: '↑' }, returns: { after: 2, to: ['origin'] } },
    ],
    [
      'notes after the book',
      {
        notes: { count: 'chapter', stand: 'book', back: '' },
        returns: { after: 1, to: ['top', 'contents'] },
        numbering: 'parts',
      },
    ],
  ];
  const ended = (job: ExportJob) => job.state !== 'running' && job.state !== 'waiting';

  test.each(structures)(
    'is published with %s in every form, each link at its exact place',
    async (_what, structure) => {
      const { id } = await bookWith(...blocks);
      await app.api.changeBook(id, { structure: { ...DEFAULT_STRUCTURE, ...structure } });
      for (const format of ['epub', 'pdf', 'web']) {
        const { body } = await app.call<{ id: string }>('POST', `books/${id}/exports`, { format });
        const job = await until(() => app.api.export(body.id), ended);
        expect(job).toMatchObject({
          state: 'done',
          notes: [],
          proof: { expected: 7, found: 7, lost: [], changed: [], added: [] },
        });
        expect(job.proof?.computed).toMatchObject({
          found: job.proof?.computed.expected,
          lost: [],
          changed: [],
        });
        const path = join(app.directory, `${structure.notes?.stand ?? 'page'}.${format}`);
        const response = await fetch(`${app.address}/api/exports/${job.id}/file`);
        await writeFile(path, new Uint8Array(await response.arrayBuffer()));
        if (format === 'epub') expect(await epubFaults(path)).toEqual([]);
        if (format !== 'pdf') continue;
        expect((await run('qpdf', ['--check', path])).stdout).toContain(
          'No syntax or stream encoding errors',
        );
        const { stdout } = await run('pdfinfo', ['-dests', path]);
        for (const name of ['tides', 'n1', 'n1.mark', 'm1', 'hours', 'book-top'])
          expect(stdout).toContain(`"${name}"`);
      }
    },
    60_000,
  );

  test('leads nowhere into a chapter that is left out of a form, and says so before', async () => {
    const { id, chapters } = await bookWith(...blocks);
    expect((await app.call('PATCH', `chapters/${chapters[1]!.id}`, { leftOutOf: ['web'] })).status).toBe(204);
    const rows = await app.api.links(id);
    expect(
      rows
        .filter(({ findings }) => findings.some(({ rule }) => rule === 'place-left-out'))
        .map((row) => row.id),
    ).toEqual(['k1', 'r1', 'r2', 'r3']);
    const forms = await app.api.forms(id);
    expect(forms.find(({ format }) => format === 'web')?.losses[0]).toMatchObject({
      count: 4,
      what: 'links into chapters that are left out',
    });
    expect((await app.call('PATCH', `chapters/${chapters[1]!.id}`, { leftOutOf: ['paper'] })).status).toBe(
      400,
    );
  });
});
