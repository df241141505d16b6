import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { formatMailto, isMailAddress, parseMailto, type MailDestination } from './index.js';

const mail = (fields: Partial<MailDestination>): MailDestination => ({
  kind: 'mail',
  to: [],
  cc: [],
  bcc: [],
  subject: '',
  body: '',
  ...fields,
});

/** RFC 6068, section 6: the address and what it says. */
const RFC_6068: [string, Partial<MailDestination>][] = [
  ['mailto:chris@example.com', { to: ['chris@example.com'] }],
  [
    'mailto:infobot@example.com?subject=current-issue',
    { to: ['infobot@example.com'], subject: 'current-issue' },
  ],
  [
    'mailto:infobot@example.com?body=send%20current-issue',
    { to: ['infobot@example.com'], body: 'send current-issue' },
  ],
  [
    'mailto:infobot@example.com?body=send%20current-issue%0D%0Asend%20index',
    { to: ['infobot@example.com'], body: 'send current-issue\nsend index' },
  ],
  [
    'mailto:joe@example.com?cc=bob@example.com&body=hello',
    { to: ['joe@example.com'], cc: ['bob@example.com'], body: 'hello' },
  ],
  ['mailto:gorby%25kremvax@example.com', { to: ['gorby%kremvax@example.com'] }],
  ['mailto:Mike%26family@example.org', { to: ['Mike&family@example.org'] }],
  ['mailto:%22not%40me%22@example.org', { to: ['"not@me"@example.org'] }],
  ['mailto:%22oh%5C%5Cno%22@example.org', { to: ['"oh\\\\no"@example.org'] }],
  ['mailto:user@example.org?subject=caf%C3%A9', { to: ['user@example.org'], subject: 'café' }],
  [
    'mailto:user@%E7%B4%8D%E8%B1%86.example.org?subject=Test&body=NATTO',
    { to: ['user@納豆.example.org'], subject: 'Test', body: 'NATTO' },
  ],
];

describe('email addresses, by RFC 6068 section 6', () => {
  test.each(RFC_6068)('%s is read', (address, fields) => {
    expect(parseMailto(address)).toEqual({ destination: mail(fields), dropped: [] });
  });

  test.each(RFC_6068)('%s means the same after it is written again', (address) => {
    const read = parseMailto(address)?.destination;
    expect(read && parseMailto(formatMailto(read))?.destination).toEqual(read);
  });

  test('addresses in the path and in “to” are one list', () => {
    const both = 'mailto:?to=addr1@an.example,addr2@an.example';
    expect(parseMailto(both)?.destination.to).toEqual(['addr1@an.example', 'addr2@an.example']);
    expect(parseMailto(both)).toEqual(parseMailto('mailto:addr1@an.example,addr2@an.example'));
  });

  test('a question mark in an address is encoded, and unknown fields are dropped and said', () => {
    expect(parseMailto('mailto:unlikely%3Faddress@example.com?blat=foop')).toEqual({
      destination: mail({ to: ['unlikely?address@example.com'] }),
      dropped: ['blat'],
    });
    expect(formatMailto(mail({ to: ['unlikely?address@example.com'] }))).toBe(
      'mailto:unlikely%3Faddress@example.com',
    );
  });

  test('a plus stays a plus, never a space', () => {
    expect(parseMailto('mailto:bill+ietf@example.org?subject=1+1')?.destination).toEqual(
      mail({ to: ['bill+ietf@example.org'], subject: '1+1' }),
    );
  });

  test('fields that a mail program must not take from a link are dropped', () => {
    expect(parseMailto('mailto:a@b.example?from=x@y.example&attach=/etc/passwd&subject=hi')?.dropped).toEqual(
      ['from', 'attach'],
    );
  });

  test.each([
    'mailto:not-an-address',
    'mailto:a@b.example?subject=%zz',
    'mailto:two@at@signs.example',
    'https://a.example',
  ])('%s can’t be read', (address) => expect(parseMailto(address)).toBeNull());

  test('any fields survive being written and read', () => {
    const address = fc
      .tuple(
        fc.stringMatching(/^[a-z0-9.!#$%&'*+/=?^_`{|}~-]{1,20}$/),
        fc.constantFrom('lamp.example', '納豆.example'),
      )
      .map((parts) => parts.join('@'))
      .filter(isMailAddress);
    const words = fc
      .string({ unit: 'grapheme', maxLength: 60 })
      .map((text) => text.replace(/\r\n?/g, '\n').toWellFormed());
    const fields = fc.record({
      to: fc.array(address),
      cc: fc.array(address),
      bcc: fc.array(address),
      subject: words,
      body: words,
    });
    fc.assert(
      fc.property(fields, (some) => {
        expect(parseMailto(formatMailto(mail(some)))?.destination).toEqual(mail(some));
      }),
    );
  });
});
