import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { readFormula } from '@vennet/core/cleaning';
import { schema } from '@vennet/core/manuscript';
import { computedLinks, editionOf, expectedLinks, makeEpub, makeWebPage } from '@vennet/core/publish';
import { linksInEpub, linksInPdf, prove } from '@vennet/core/readback';
import { bookOf, heading, linked, paragraph, place } from '@vennet/core/testing';
import { epubFaults, htmlFaults, run } from '../testing/readers.js';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

const math = (inner: string, display = 'inline') => {
  const formula = readFormula(
    `<math xmlns="http://www.w3.org/1998/Math/MathML" display="${display}">${inner}</math>`,
  );
  return schema.node('formula', formula);
};
/** Forms of MathML Core, 3.2 to 3.5, each with what a reader of the PDF meets. */
const FORMS: [string, string][] = [
  [
    '<mi>x</mi><mo>=</mo><mfrac><mrow><mo>-</mo><mi>b</mi><mo>±</mo><msqrt><mn>7</mn></msqrt></mrow><mn>2</mn></mfrac>',
    '± 7',
  ],
  ['<mroot><mi>a</mi><mn>3</mn></mroot>', '3'],
  [
    '<msubsup><mi>x</mi><mn>1</mn><mn>2</mn></msubsup><munderover><mo>∑</mo><mi>i</mi><mi>n</mi></munderover>',
    '∑',
  ],
  ['<mo>(</mo><mtable><mtr><mtd><mn>1</mn></mtd><mtd><mn>0</mn></mtd></mtr></mtable><mo>)</mo>', '1 0'],
  [
    '<mover><mi>v</mi><mo>→</mo></mover><mi>sin</mi><mo>&#x2061;</mo><mi>t</mi><mtext>and so on</mtext>',
    'sin',
  ],
  [
    '<mfenced open="[" close="]"><mi>p</mi><mi>q</mi></mfenced><munder><mo>lim</mo><mi>h</mi></munder>',
    'lim',
  ],
  [
    '<mmultiscripts><mi>U</mi><mn>8</mn><none/><mprescripts/><mn>5</mn><none/></mmultiscripts><menclose><mn>9</mn></menclose>',
    '9',
  ],
];
const book = bookOf([
  heading(1, 'Signs'),
  ...FORMS.flatMap(([inner], index) => [
    paragraph('Thus ', math(inner), ' holds.'),
    schema.node('paragraph', { id: `f${index}` }, [math(inner, 'block')]),
    paragraph(
      linked(`to ${index}`, place(`f${index}`), `l${index}`),
      ' and ',
      linked('out', 'https://a.example/', `o${index}`),
    ),
  ]),
]);

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-formulas-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

test('formulas are set in a PDF, with their words for who can’t see them, and links around them are right', async () => {
  const edition = editionOf(book, [], 'pdf');
  const { bytes, places, notes } = setPages(edition).write();
  expect(notes).toEqual([]);
  const made = await finishPdf(bytes, edition, places);
  const { links, cutOff } = await linksInPdf(made);
  const { lost, changed } = prove(expectedLinks(edition), links, computedLinks(edition));
  expect([...lost, ...changed, ...cutOff]).toEqual([]);
  const path = join(folder, 'formulas.pdf');
  await writeFile(path, made);
  const { stdout: tree } = await run('pdfinfo', ['-struct-text', path]);
  expect(tree.match(/Formula/g)).toHaveLength(2 * FORMS.length);
  for (const [, shown] of FORMS)
    expect(tree.normalize('NFKC').replace(/["\s]+/g, ' ')).toContain(shown.split(' ').at(-1));
});

test('they are MathML in an e-book and on a web page', async () => {
  const edition = editionOf(book, [], 'epub');
  const epub = makeEpub(edition, { modified: new Date('2026-01-01') });
  const path = join(folder, 'formulas.epub');
  await writeFile(path, epub);
  expect(await epubFaults(path)).toEqual([]);
  expect(prove(expectedLinks(edition), linksInEpub(epub)).changed).toEqual([]);
  const page = new TextDecoder().decode(makeWebPage(editionOf(book, [], 'web')));
  expect(page.match(/<math /g)).toHaveLength(2 * FORMS.length);
  expect(await htmlFaults(page)).toEqual([]);
}, 60_000);
