import { describe, expect, test } from '@jest/globals';
import { foundIn } from '../testing/brought.js';
import { CLEAN_EXAMPLES, EXAMPLE_HEAD, FAULTY_EXAMPLES } from '../testing/published-examples.js';

describe('faulty examples of the standards', () => {
  test.each(FAULTY_EXAMPLES)('%s', (_name, body, finding) =>
    expect(foundIn(body, { head: EXAMPLE_HEAD })).toContain(finding),
  );
});

describe('clean examples of the standards: nothing is found', () => {
  test.each(CLEAN_EXAMPLES)('%s', (_name, body) => expect(foundIn(body)).toEqual([]));
});
