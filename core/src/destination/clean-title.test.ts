import { describe, expect, test } from '@jest/globals';
import { cleanTitle, mailAddressesIn, nearDomain, recognise } from './index.js';

const PAGE = 'https://www.lamp-trust.example/tides/may';

describe('the title of a page as words for a link', () => {
  test.each([
    ['Tides in May | Lamp Trust', 'Tides in May'],
    ['Tides in May – The Lamp Trust', 'Tides in May'],
    ['Lamp Trust: Tides in May', 'Tides in May'],
    ['Tides in May | Orrin Lamp Trust', 'Tides in May'],
    [
      'What the Lamp Trust did in the long winter of that year | May',
      'What the Lamp Trust did in the long winter of that year | May',
    ],
    ['Lamp Trust » Tides » May', 'Tides » May'],
    ['  Tides\n in   May - ', 'Tides in May'],
    ['Tides in May - lamp-trust.example', 'Tides in May'],
    ['Low-water marks', 'Low-water marks'],
    ['Rocks - a history', 'Rocks - a history'],
    ['Lamp Trust', 'Lamp Trust'],
    ['| |', ''],
  ])('%j gives %j', (title, words) => expect(cleanTitle(title, PAGE)).toBe(words));

  test('leaves out the name that the site gives itself', () => {
    expect(cleanTitle('May · Friends of the Sound', PAGE, 'Friends of the Sound')).toBe('May');
  });
});

describe('addresses as people write them (RFC 5322, 3.4)', () => {
  test.each([
    ['joe@lamp.example', ['joe@lamp.example']],
    ['Ada Lamp <ada@lamp.example>', ['ada@lamp.example']],
    ['"Lamp, Ada" <ada@lamp.example>, joe@lamp.example;', ['ada@lamp.example', 'joe@lamp.example']],
    ['ada@lamp.example, nobody', null],
    ['', null],
  ])('%j', (typed, addresses) => expect(mailAddressesIn(typed)).toEqual(addresses));

  test('are recognised in “Leads to”', () => {
    expect(recognise('Ada Lamp <ada@lamp.example>')).toMatchObject({
      ok: true,
      destination: { kind: 'mail', to: ['ada@lamp.example'] },
    });
  });
});

describe('a domain that was perhaps mistyped', () => {
  const uses = new Map([
    ['lamp-trust.example', 4],
    ['weather.example', 1],
    ['lamp-trsut.example', 1],
  ]);
  test.each([
    ['lamp-trsut.example', 'lamp-trust.example'],
    ['lamptrust.example', 'lamp-trust.example'],
    ['lamp-trust.example', null],
    ['leather.example.org', null],
    ['harbour-office.example', null],
  ])('%s: %s', (domain, near) => expect(nearDomain(domain, uses, (name) => name)).toBe(near));
});
