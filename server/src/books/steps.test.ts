import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { bookEvents } from '@vennet/client';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import type { BookNews, Problem, StepsSent } from '@vennet/core/wire';
import { createConnection } from 'mysql2/promise';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const insert = (at: number, text: string) => ({
  stepType: 'replace',
  from: at,
  to: at,
  slice: { content: [{ type: 'text', text }] },
});
const sent = (version: number, steps: object[], more: Partial<StepsSent> = {}): StepsSent => ({
  batch: crypto.randomUUID(),
  window: 'one',
  version,
  schema: SCHEMA_VERSION,
  steps,
  ...more,
});

async function chapter() {
  const { body } = await app.upload('book.html', '<!doctype html><title>Lamps</title><p>lamp</p>');
  const { id, version } = (await app.api.manuscript(body.id)).chapters[0]!;
  const words = async () => JSON.stringify((await app.api.manuscript(body.id)).chapters[0]!.doc);
  return { book: body.id, id, version, words };
}

describe('steps that a window sends', () => {
  test('lead the chapter on, a version for each', async () => {
    const { id, version, words } = await chapter();
    const answer = await app.api.sendSteps(id, sent(version, [insert(1, 'A '), insert(7, 's')]));
    expect(answer).toEqual({
      taken: true,
      version: version + 2,
      title: 'Chapter 1',
      missed: [],
      current: null,
    });
    expect(await words()).toContain('A lamps');
  });

  test('leave a chapter its title when it was renamed between two of them', async () => {
    const { id, version, book } = await chapter();
    await app.api.sendSteps(id, sent(version, [insert(5, 's')]));
    const title = async () => (await app.api.manuscript(book)).chapters[0]!.title;
    await app.api.renameChapter(id, 'Wicks');
    const { version: now } = (await app.api.manuscript(book)).chapters[0]!;
    expect(await app.api.sendSteps(id, sent(now, [insert(6, '!')]))).toMatchObject({ title: 'Wicks' });
    expect(await title()).toBe('Wicks');
  });

  test('find nothing to be stored in when the chapter or its book was removed meanwhile', async () => {
    const { id, version, book, words } = await chapter();
    await app.api.sendSteps(id, sent(version, [insert(5, 's')]));
    await app.call('DELETE', `books/${book}`);
    expect((await app.call('POST', `chapters/${id}/steps`, sent(version + 1, [insert(6, '!')]))).status).toBe(
      404,
    );
    await app.call('POST', `books/${book}/put-back`);
    expect(await words()).toContain('"lamps"');
    expect(await app.api.sendSteps(id, sent(version + 1, [insert(6, '!')]))).toMatchObject({ taken: true });
  });

  test('are over the text as it is stored, whatever else has changed it', async () => {
    const { id, version, words } = await chapter();
    await app.api.sendSteps(id, sent(version, [insert(5, 's')]));
    const old = JSON.parse(await words()) as object;
    await app.api.saveChapter(id, {
      version: version + 1,
      doc: JSON.parse((await words()).replace('lamps', 'lamps and tides')) as object,
    });
    // The same text again, at a version that is over: it is late, though it would change nothing over that version.
    expect((await app.call('PUT', `chapters/${id}`, { version: version + 1, doc: old })).status).toBe(409);
    expect(await words()).toContain('lamps and tides');
  });

  test('that come again are acknowledged, and not made twice', async () => {
    const { id, version, words } = await chapter();
    const batch = sent(version, [insert(5, 's')]);
    await app.api.sendSteps(id, batch);
    await app.api.sendSteps(id, sent(version + 1, [insert(6, '!')]));
    expect(await app.api.sendSteps(id, batch)).toMatchObject({ taken: true, version: version + 1 });
    expect(await words()).toContain('"lamps!"');
    const other = await chapter();
    expect((await app.call('POST', `chapters/${other.id}/steps`, { ...batch, version: 1 })).status).toBe(409);
  });

  test('over an earlier version are not made: the window gets what came first', async () => {
    const { id, version, words } = await chapter();
    const first = sent(version, [insert(1, 'A ')], { window: 'two' });
    await app.api.sendSteps(id, first);
    const late = await app.api.sendSteps(id, sent(version, [insert(5, 's')]));
    expect(late).toMatchObject({
      taken: false,
      version: version + 1,
      missed: [{ change: first.batch, window: 'two', from: version, steps: first.steps }],
    });
    expect(await words()).toContain('"A lamp"');
    expect((await app.api.stepsSince(id, version + 1)).missed).toEqual([]);
  });

  test('of two windows at once are taken one after the other', async () => {
    const { id, version } = await chapter();
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        app.api.sendSteps(id, sent(version, [insert(1, `${index} `)])),
      ),
    );
    expect(answers.filter(({ taken }) => taken)).toHaveLength(1);
    expect(answers.filter(({ taken, missed }) => !taken && missed.length === 1)).toHaveLength(19);
  });

  test('older than the log, or of another schema, get the chapter itself', async () => {
    const { id, version } = await chapter();
    await app.api.sendSteps(id, sent(version, [insert(1, 'A ')]));
    expect((await app.api.sendSteps(id, sent(version + 1, [], { schema: 99 }))).current).toMatchObject({
      id,
    });
    const database = await createConnection(app.databaseUrl);
    await database.query('DELETE FROM chapter_steps WHERE chapter_id = ?', [id]);
    await database.end();
    expect(await app.api.stepsSince(id, version)).toMatchObject({
      missed: [],
      current: { version: version + 1 },
    });
  });

  test('that do not fit are refused by their number, and nothing is stored', async () => {
    const { id, version, words } = await chapter();
    const refused = await app.call<Problem>(
      'POST',
      `chapters/${id}/steps`,
      sent(version, [insert(1, 'A'), insert(900, 'B')]),
    );
    expect(refused).toMatchObject({ status: 422, body: { path: 'steps[1]' } });
    const script = {
      ...insert(1, 'x'),
      slice: {
        content: [
          {
            type: 'text',
            text: 'x',
            marks: [{ type: 'link', attrs: { id: 'l', destination: { kind: 'web', href: 'javascript:x' } } }],
          },
        ],
      },
    };
    expect((await app.call('POST', `chapters/${id}/steps`, sent(version, [script]))).status).toBe(422);
    expect(
      (await app.call('POST', `chapters/${id}/steps`, { ...sent(version, []), steps: [3] })).status,
    ).toBeGreaterThanOrEqual(400);
    expect((await app.call('POST', 'chapters/none/steps', sent(1, []))).status).toBe(404);
    expect(await words()).toContain('"lamp"');
  });
});

test('an open window is told how the chapters stand, now and after each change', async () => {
  const { book, id, version } = await chapter();
  const controller = new AbortController();
  const response = await fetch(`${app.address}${bookEvents(book)}`, { signal: controller.signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  const next = async (): Promise<BookNews> => {
    for (;;) {
      const found = /data: (.*)\n/.exec(text);
      if (found) {
        text = text.slice(found.index + found[0].length);
        return JSON.parse(found[1]!) as BookNews;
      }
      text += (await reader.read()).value ?? '';
    }
  };
  expect(await next()).toEqual({ chapters: [{ id, version }] });
  const { version: now } = await app.api.sendSteps(id, sent(version, [insert(1, 'A ')]));
  expect(await next()).toEqual({ chapters: [{ id, version: now }] });
  controller.abort();
  await reader.cancel().catch(() => {});
});
