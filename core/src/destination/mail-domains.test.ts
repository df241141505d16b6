import { describe, expect, test } from '@jest/globals';
import { hostOf } from '../audit/web-host.js';
import { fileNamed, nearMailDomain, recognise } from './index.js';
import { PUBLIC_MAIL_DOMAINS } from './mail-domains.js';

const near = (domain: string) => nearMailDomain(domain, (name) => hostOf(name).registrable);

describe('the domain of an email', () => {
  test.each([
    ['gmial.com', 'gmail.com'],
    ['gmaill.com', 'gmail.com'],
    ['gmai.com', 'gmail.com'],
    ['yaho.com', 'yahoo.com'],
    ['gmail.con', 'gmail.com'],
    ['hotmial.com', 'hotmail.com'],
    ['outlok.com', 'outlook.com'],
    ['yahooo.com', 'yahoo.com'],
    ['iclod.com', 'icloud.com'],
    ['protonmial.com', 'protonmail.com'],
  ])('%s is asked about: %s', (domain, meant) => expect(near(domain)).toBe(meant));

  // No false alarm: the domains themselves, names that are near to short ones, and names of others.
  test.each([
    ...PUBLIC_MAIL_DOMAINS,
    'gmx.net',
    'gmx.de',
    'wmb.de',
    'we.de',
    'mail.com',
    'email.com',
    'aol.com',
    'lamp.example',
    'live.de',
    'me.com',
    'yahoo.it',
    'males.com',
  ])('%s is left alone', (domain) => expect(near(domain)).toBeNull());
});

test.each(['a@gmail', 'ada@', 'ada@lamp'])('%s gets advice on email, not on web pages', (typed) => {
  const read = recognise(typed);
  expect(read).toMatchObject({ ok: false, refusal: 'mail' });
  expect(read.ok ? '' : read.reason).toMatch(/^An email address has a dot/);
});

describe('a name of a file on the Shelf', () => {
  const files = [
    { id: 't', name: 'Tides.pdf' },
    { id: 'n', name: 'notes.txt' },
  ];
  test.each([
    ['tides.pdf', { kind: 'file', enclosure: 't' }],
    ['tides.pdf#page=2', { kind: 'file', enclosure: 't', fragment: 'page=2' }],
    [' TIDES.PDF#nameddest=May ', { kind: 'file', enclosure: 't', fragment: 'nameddest=May' }],
    ['notes.txt', { kind: 'file', enclosure: 'n' }],
    ['tides.pdf.example', null],
    ['', null],
    ['#page=2', null],
  ])('%s', (typed, wanted) => expect(fileNamed(typed, files)).toEqual(wanted));
});
