import { expect, test } from '@jest/globals';
import { expectAsExample } from '../testing/expected.js';
import { FAILURES, verdictOf } from './index.js';

test('the verdict on every status and every failure, as a table to be read', () => {
  const statuses = Array.from({ length: 500 }, (_, index) => index + 100);
  const rows: { from: number; to: number; says: string }[] = [];
  for (const status of statuses) {
    const { verdict, reason } = verdictOf({ outcome: 'status', status, hops: [] });
    const says = `${verdict}: ${reason.replace(String(status), 'status')}`;
    const last = rows.at(-1);
    if (last?.says === says) last.to = status;
    else rows.push({ from: status, to: status, says });
  }
  const failures = FAILURES.map((failure) => {
    const { verdict, reason } = verdictOf({ outcome: 'failure', failure, hops: [] });
    return `${failure}: ${verdict}: ${reason}`;
  });
  expectAsExample(
    'verdicts.txt',
    [...rows.map(({ from, to, says }) => `${from} to ${to}: ${says}`), ...failures, ''].join('\n'),
  );
  expect(rows.length).toBeGreaterThan(10);
});
