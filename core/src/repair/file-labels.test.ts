import { describe, expect, test } from '@jest/globals';
import { bookOf, heading, linked, paragraph } from '../testing/index.js';
import { schema } from '../manuscript/index.js';
import { findFileLabels, labelInName } from './index.js';

const files = (...names: string[]) => names.map((name) => ({ id: name, name }));
const found = (text: string, ...names: string[]) =>
  findFileLabels(bookOf([paragraph(text)]).chapters, files(...names)).map(({ mentions, files: of }) => [
    mentions.map((one) => one.text).join('|'),
    of.join('|'),
  ]);

// Common practice for exhibits, appendices and enclosures; without a source.
test.each([
  ['C1.pdf', 'C 1'],
  ['C01 survey of the harbour.pdf', 'C 1'],
  ['c-1.pdf', 'c 1'],
  ['Appendix 3.pdf', 'appendix 3'],
  ['appendix_03_tides.v2.pdf', 'appendix 3'],
  ['Exhibit 12b (letter).pdf', 'exhibit 12b'],
  ['Annex B – maps.pdf', 'annex b'],
  ['Anlage 7.docx', 'anlage 7'],
  ['2024 report.pdf', null],
  ['tides.pdf', null],
  ['Plan A2b3.pdf', null],
  ['.pdf', null],
])('the label in %s', (name, label) => expect(labelInName(name)).toBe(label));

describe('labels in the text', () => {
  test('are matched with the files that are called so, however they are spelled', () => {
    expect(
      found(
        'See C1, C 2 and (C01); “appendix 3”, Appendix\u00a03.',
        'C1.pdf',
        'C2 map.pdf',
        'Appendix 3.pdf',
      ),
    ).toEqual([
      ['C1|C01', 'C1.pdf'],
      ['C 2', 'C2 map.pdf'],
      ['appendix 3|Appendix\u00a03', 'Appendix 3.pdf'],
    ]);
  });

  test('are none within words, numbers and quantities; letters alone only as they are written', () => {
    expect(found('AC1, C1x2, C1.5, c1, Grid C12, C1b', 'C1.pdf')).toEqual([
      ['C12', ''],
      ['C1b', ''],
    ]);
    expect(found('Annex A, annex B, Annex Bees, annexes', 'Annex A.pdf')).toEqual([
      ['Annex A', 'Annex A.pdf'],
      ['annex B', ''],
    ]);
  });

  test('without a file are told where there are files of their kind, and no others', () => {
    expect(found('C1, C9, D1, Appendix 4 and room 7', 'C1.pdf', 'Appendix 3.pdf')).toEqual([
      ['C1', 'C1.pdf'],
      ['C9', ''],
      ['Appendix 4', ''],
    ]);
  });

  test('may have several files, the shortest name first', () => {
    expect(found('C1', 'C1 photograph.jpg', 'C1.pdf')).toEqual([['C1', 'C1.pdf|C1 photograph.jpg']]);
  });

  test('in headings, in code and in links are left alone; notes are looked through', () => {
    const book = bookOf([
      heading(1, 'C1'),
      paragraph(linked('C1', 'https://a.example/'), ' and C1 here'),
      schema.node('code_block', null, [schema.text('C1')]),
    ]);
    const [label, ...more] = findFileLabels(book.chapters, files('C1.pdf'));
    expect(more).toEqual([]);
    expect(label?.mentions.map(({ before, after }) => [before, after])).toEqual([['C1 and ', ' here']]);
  });
});
