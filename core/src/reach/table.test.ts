import { expect, test } from '@jest/globals';
import { ARTICLE, pageOf } from '../testing/pages.js';
import { expectAsExample } from '../testing/expected.js';
import { FAILURES, MAIL_STATES, TLS_FAULTS, verdictOf } from './index.js';

test('the verdict on every status and every failure, as a table to be read', () => {
  const page = pageOf('The lamp', ARTICLE);
  const statuses = Array.from({ length: 900 }, (_, index) => index + 100);
  const rows: { from: number; to: number; says: string }[] = [];
  for (const status of statuses) {
    const answer = { edition: 2 as const, outcome: 'status' as const, status, hops: [], page };
    const { verdict, reason } = verdictOf(answer, 'https://lamp.example/tides');
    const says = `${verdict}: ${reason.replace(String(status), 'status')}`;
    const last = rows.at(-1);
    if (last?.says === says) last.to = status;
    else rows.push({ from: status, to: status, says });
  }
  const failures = FAILURES.map((failure) => {
    const { verdict, reason } = verdictOf({ edition: 2, outcome: 'failure', failure, hops: [] });
    return `${failure}: ${verdict}: ${reason}`;
  });
  const certificates = TLS_FAULTS.map((tls) => {
    const { verdict, reason } = verdictOf({
      edition: 2,
      outcome: 'failure',
      failure: 'certificate',
      tls,
      hops: [],
    });
    return `certificate, ${tls}: ${verdict}: ${reason}`;
  });
  const mail = MAIL_STATES.map((state) => {
    const { verdict, reason } = verdictOf({
      edition: 2,
      outcome: 'mail',
      receivers: [{ address: 'joe@lamp.example', state }],
    });
    return `mail, ${state}: ${verdict}: ${reason}`;
  });
  expectAsExample(
    'verdicts.txt',
    [
      ...rows.map(({ from, to, says }) => `${from} to ${to}: ${says}`),
      ...failures,
      ...certificates,
      ...mail,
      '',
    ].join('\n'),
  );
  expect(rows.length).toBeGreaterThan(10);
});
