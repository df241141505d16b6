import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { ApiError } from '@vennet/client';
import { keepIdsUnique } from '@vennet/core/edits';
import { readChapter, schema, SCHEMA_VERSION, sectionsOf } from '@vennet/core/manuscript';
import { applySteps, rebase, stepsBetween, stepsFrom } from '@vennet/core/steps';
import type { StepsAnswer, VersionedChapter } from '@vennet/core/wire';
import fc from 'fast-check';
import { createConnection } from 'mysql2/promise';
import type { Node } from 'prosemirror-model';
import { Transform, type Step } from 'prosemirror-transform';
import { mint } from '../platform/mint.js';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

type Fault = 'none' | 'request lost' | 'answer lost';

/** A chapter as a window has it: the text that the server is known to have, and what the window has made since. */
interface Open {
  version: number;
  base: Node;
  sent: { batch: string; steps: Step[] } | null;
  unsent: Step[];
}

const docOf = (chapter: VersionedChapter): Node => readChapter(chapter).doc;
const textOf = (doc: Node): string => doc.textBetween(0, doc.content.size, '\n', ' ');

/** A window as the interface is one: it writes without waiting, sends, and moves what it wrote over what came in. */
class Window {
  readonly chapters = new Map<string, Open>();
  /** Words that found no place any more: an author is shown them. */
  readonly astray: string[] = [];

  constructor(readonly name: string) {}

  /** Reads the book; chapters that are open stay as they are, since they follow by steps. */
  async read(book: string): Promise<void> {
    for (const chapter of (await app.api.manuscript(book)).chapters)
      if (!this.chapters.has(chapter.id))
        this.chapters.set(chapter.id, {
          version: chapter.version,
          base: docOf(chapter),
          sent: null,
          unsent: [],
        });
  }

  docOf({ base, sent, unsent }: Open): Node {
    return applySteps(base, [...(sent?.steps ?? []), ...unsent]).doc;
  }

  change(id: string, work: (transform: Transform) => void): void {
    const open = this.chapters.get(id);
    if (!open) return;
    const transform = new Transform(this.docOf(open));
    work(transform);
    open.unsent.push(...transform.steps);
  }

  async send(id: string, fault: Fault): Promise<void> {
    const open = this.chapters.get(id)!;
    if (!open.sent && open.unsent.length > 0) {
      open.sent = { batch: crypto.randomUUID(), steps: open.unsent };
      open.unsent = [];
    }
    if (fault === 'request lost') return;
    const { sent, version } = open;
    const asked = sent
      ? app.api.sendSteps(id, {
          batch: sent.batch,
          window: this.name,
          version,
          schema: SCHEMA_VERSION,
          steps: sent.steps.map((step) => step.toJSON() as object),
        })
      : app.api.stepsSince(id, version);
    const answer = await asked.catch((error: unknown) => {
      // Its chapter was removed: what is unsent waits until it is put back.
      if (error instanceof ApiError && error.problem.status === 404) return null;
      throw error;
    });
    if (!answer || fault === 'answer lost') return;
    this.#take(open, answer);
    if (answer.taken) await this.#catchUp(id, open);
  }

  /** What came in between a batch of this window and those before it is asked for. */
  async #catchUp(id: string, open: Open): Promise<void> {
    this.#take(open, await app.api.stepsSince(id, open.version));
  }

  #take(open: Open, answer: StepsAnswer): void {
    if (answer.taken && open.sent) {
      const { steps } = open.sent;
      open.sent = null;
      // Acknowledged: it was made over this very version.
      open.base = applySteps(open.base, steps).doc;
      open.version = answer.version;
      return;
    }
    const theirs = answer.current
      ? [...stepsBetween(open.base, docOf(answer.current)).steps]
      : answer.missed.flatMap(({ steps }) => stepsFrom(steps));
    const after = applySteps(open.base, theirs).doc;
    const own = [...(open.sent?.steps ?? []), ...open.unsent];
    const { transform, astray } = rebase(after, own, theirs);
    this.astray.push(...astray);
    // As in the editor: what stands in two blocks by now, such as a link that was divided, gets ids of its own.
    keepIdsUnique(transform, mint);
    // What was sent was not taken, so it goes again with all the rest.
    open.sent = null;
    open.unsent = [...transform.steps];
    open.base = after;
    open.version = answer.version;
  }
}

interface Action {
  window: number;
  chapter: number;
  at: number;
  fault: Fault;
  what:
    | 'type'
    | 'link'
    | 'send'
    | 'repair'
    | 'move'
    | 'split'
    | 'join'
    | 'divide'
    | 'remove'
    | 'take back'
    | 'read';
}

const action: fc.Arbitrary<Action> = fc.record({
  window: fc.nat({ max: 1 }),
  chapter: fc.nat({ max: 9 }),
  at: fc.nat({ max: 999 }),
  fault: fc.constantFrom<Fault>('none', 'none', 'none', 'request lost', 'answer lost'),
  what: fc.constantFrom<Action['what']>(
    ...([
      'type',
      'type',
      'type',
      'type',
      'send',
      'send',
      'send',
      'link',
      'repair',
      'move',
      'split',
      'join',
      'divide',
      'remove',
      'take back',
      'take back',
      'read',
    ] as const),
  ),
});

/** A chapter with two sections and a link. */
const part = (name: string) =>
  `<h1 id="${name}">${name}</h1><p>Of ${name} and <a href="https://${name}.example/">its lamp</a>.</p><h2 id="${name}-more">More of ${name}</h2><p>Seen from ${name}, with <a href="https://shared.example/">a lamp</a> and words.</p>`;

async function play(actions: readonly Action[]): Promise<void> {
  const { body } = await app.upload(
    'book.html',
    `<!doctype html><html lang="en"><title>Lamps</title><body>${['alder', 'birch', 'cedar'].map(part).join('')}${`<p>${'filling words '.repeat(500)}</p>`}`,
  );
  const book = body.id;
  const windows = [new Window('one'), new Window('two')];
  for (const window of windows) await window.read(book);
  const typed: string[] = [];
  const refusable = async (work: Promise<unknown>) => {
    await work.catch((error: unknown) => {
      if (!(error instanceof ApiError) || error.problem.status >= 500) throw error;
    });
  };
  for (const { window: number, chapter, at, fault, what } of actions) {
    const window = windows[number]!;
    const ids = [...window.chapters.keys()];
    const id = ids[chapter % ids.length]!;
    const live = (await app.api.manuscript(book)).chapters;
    const stored = live[chapter % live.length]!;
    switch (what) {
      case 'type': {
        const words = `w${typed.length}x${number}`;
        typed.push(words);
        window.change(id, (transform) => {
          const spots: number[] = [];
          transform.doc.descendants((node, position) => {
            if (node.isTextblock) spots.push(position + 1, position + 1 + node.content.size);
          });
          transform.insert(spots[at % spots.length]!, schema.text(` ${words} `));
        });
        break;
      }
      case 'link':
        window.change(id, (transform) => {
          const blocks: number[] = [];
          transform.doc.descendants((node, position) => {
            if (node.isTextblock && node.content.size > 0) blocks.push(position + 1);
          });
          const from = blocks[at % Math.max(1, blocks.length)] ?? 1;
          const to = Math.min(from + 5, transform.doc.resolve(from).end());
          const mark = schema.marks.link.create({
            id: `l${crypto.randomUUID()}`,
            destination: { kind: 'web', href: 'https://new.example/' },
          });
          if (to > from) transform.addMark(from, to, mark);
          keepIdsUnique(transform, mint);
        });
        break;
      case 'send':
        await window.send(id, fault);
        break;
      case 'read':
        await window.read(book);
        break;
      case 'repair':
        await refusable(
          app.api.repair(book, {
            target: { href: 'https://shared.example/' },
            repair:
              at % 2
                ? { type: 'text', text: `the lamps ${at}` }
                : { type: 'destination', destination: { kind: 'web', href: 'https://shared.example/' } },
          }),
        );
        break;
      case 'move': {
        const sections = sectionsOf(docOf(stored));
        const section = sections[at % Math.max(1, sections.length)]?.id;
        const to = live[at % live.length]!;
        if (section)
          await refusable(
            app.api.moveSection(book, {
              from: { chapter: stored.id, section },
              to: { chapter: to.id, before: null },
            }),
          );
        break;
      }
      case 'split':
        await refusable(app.api.splitChapter(stored.id, at % Math.max(1, docOf(stored).childCount)));
        break;
      case 'join':
        await refusable(app.api.joinChapter(stored.id));
        break;
      case 'divide': {
        const lines = await app.api.division(book);
        const begins = lines.map((line) => line.id).filter((_, index) => ((at + 1) >> (index % 10)) & 1);
        await refusable(app.api.divide(book, begins));
        break;
      }
      case 'remove':
        await refusable(app.api.removeChapter(stored.id));
        break;
      case 'take back': {
        const changes = await app.api.changes(book);
        const change = changes[at % Math.max(1, changes.length)];
        if (change) await refusable(app.api.takeBack(book, change.id));
      }
    }
  }
  // The connection is there again: everything is sent, and both windows follow.
  for (let round = 0; round < 4; round++)
    for (const window of windows) {
      await window.read(book);
      for (const id of window.chapters.keys()) await window.send(id, 'none');
    }
  const { chapters } = await app.api.manuscript(book);
  for (const window of windows)
    for (const chapter of chapters) {
      const open = window.chapters.get(chapter.id)!;
      expect(window.docOf(open).toJSON()).toEqual(chapter.doc);
      expect(open.version).toBe(chapter.version);
    }
  for (const { doc } of chapters) docOf({ ...chapters[0]!, doc }).check();
  // Every word that was typed is somewhere: in the book, in a chapter that was removed, waiting for one, or shown to its author.
  const connection = await createConnection(app.databaseUrl);
  const [rows] = await connection.query('SELECT doc FROM chapters WHERE book_id = ?', [book]);
  await connection.end();
  const kept = [
    ...(rows as { doc: string }[]).map(({ doc }) => doc),
    ...windows.flatMap(({ astray, chapters: open }) => [
      ...astray,
      ...[...open.values()].map((one) => textOf(windows[0]!.docOf(one))),
    ]),
  ].join('\n');
  const missing = typed.filter((words) => !kept.includes(words));
  expect(missing).toEqual([]);
}

test('two windows, lost requests and answers, repairs, moves and removals: all agree in the end, and no typed word is missing', async () => {
  await fc.assert(fc.asyncProperty(fc.array(action, { minLength: 20, maxLength: 45 }), play), {
    numRuns: Number(process.env.VENNET_RUNS ?? 12),
    interruptAfterTimeLimit: 15 * 60_000,
    ...(process.env.VENNET_SEED ? { seed: Number(process.env.VENNET_SEED) } : {}),
  });
}, 900_000);
