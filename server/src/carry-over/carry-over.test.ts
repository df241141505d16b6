import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { docxOf } from '@vennet/core/testing';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const TEXT = [
  'The keeper trims the great lamp every evening before the tide turns in the narrow sound.',
  'Ships that pass at night read the flashes of the tower and know where they are by them.',
  'All tide tables of the year hang by the door of the store for everyone to read in the morning.',
  'The office sends a list of lamps in spring to every station along the coast of the northern sea.',
];
const page = (paragraphs: string[], title = 'Small harbours') =>
  `<!doctype html><html lang="en"><title>${title}</title><body><h1>Lamps</h1>${paragraphs.map((one) => `<p>${one}</p>`).join('')}`;
const link = (text: string, words: string, href: string) =>
  text.replace(words, `<a href="${href}">${words}</a>`);
const book = async (html: string) => (await app.upload('book.html', html)).body.id;
const found = async (id: string) => (await app.api.links(id)).map(({ text, href }) => [text, href]);

async function older(): Promise<string> {
  const id = await book(
    page([
      link(TEXT[0]!, 'great lamp', 'https://lamp.example/'),
      TEXT[1]!,
      link(TEXT[2]!, 'tide tables', 'https://tides.example/'),
      link(TEXT[3]!, 'list of lamps', 'https://list.example/'),
    ]),
  );
  return id;
}

test('a newer version in another form is offered the links of the older one, gets them as one change, and gives them back', async () => {
  const old = await older();
  const said = TEXT.map((text) =>
    text.replace('great lamp every', 'great lamp each and every').replace('list of lamps', 'register'),
  );
  const fresh = (
    await app.upload(
      'book.docx',
      docxOf(
        [said[2]!, said[3]!, said[0]!, said[1]!]
          .map((text) => `<w:p><w:r><w:t>${text}</w:t></w:r></w:p>`)
          .join(''),
      ),
    )
  ).body.id;
  const offers = await app.api.carryOffers(fresh);
  expect(offers.map(({ id, because }) => [id, because])).toContainEqual([old, 'words']);

  const { items } = await app.api.carryPlan(fresh, old);
  expect(items.map(({ fate, old: passage }) => [passage.words, fate])).toEqual([
    ['great lamp', 'sure'],
    ['tide tables', 'sure'],
    ['list of lamps', 'look'],
  ]);
  const take = items.map(({ kind, id }) => `${kind} ${id}`);
  const done = await app.api.carryOver(fresh, { from: old, take });
  expect(done.changed).toBe(3);
  expect(await found(fresh)).toEqual([
    ['tide tables', 'https://tides.example/'],
    ['register', 'https://list.example/'],
    ['great lamp', 'https://lamp.example/'],
  ]);
  // Everything is there now.
  expect((await app.api.carryPlan(fresh, old)).items.map(({ fate }) => fate)).toEqual([
    'there',
    'there',
    'there',
  ]);
  expect(await found(old)).toHaveLength(3);

  await app.api.takeBack(fresh, done.change!);
  expect(await found(fresh)).toEqual([]);
});

test('reasons for which findings were set aside come along with their links', async () => {
  const old = await book(
    page([link(TEXT[0]!, 'great lamp', 'http://lamp.example/'), ...TEXT.slice(1)], 'One title'),
  );
  const [own] = (await app.api.links(old)).map(({ id }) => id);
  await app.api.setAside(old, [
    { rule: 'plain-http', of: own!, print: 'great lamp', reason: 'The old host has no other.', until: '' },
  ]);
  const fresh = await book(page(TEXT, 'One title'));
  expect((await app.api.carryOffers(fresh)).find(({ id }) => id === old)?.because).toBe('title');
  const { items } = await app.api.carryPlan(fresh, old);
  await app.api.carryOver(fresh, { from: old, take: items.map(({ kind, id }) => `${kind} ${id}`) });
  expect((await app.api.links(fresh)).map(({ id }) => id)).toEqual([own]);
  const { aside } = await app.api.survey(fresh);
  expect(aside).toMatchObject([{ rule: 'plain-http', of: own, reason: 'The old host has no other.' }]);
});

test('another book’s text has no offer, and the same book can’t be carried over to itself', async () => {
  const old = await older();
  const other = await book(
    page(['Nothing here was ever written in another book of this Library at all.'], 'Quite another'),
  );
  expect((await app.api.carryOffers(other)).map(({ id }) => id)).not.toContain(old);
  expect((await app.call('GET', `books/${old}/carry-over?from=${old}`)).status).toBe(422);
  expect(
    (await app.call('GET', `books/${old}/carry-over?from=6ba7b810-9dad-11d1-80b4-00c04fd430c8`)).status,
  ).toBe(404);
});
