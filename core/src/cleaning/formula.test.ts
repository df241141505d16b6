import { describe, expect, test } from '@jest/globals';
import { readFormula } from './formula.js';

const M = 'xmlns="http://www.w3.org/1998/Math/MathML"';

describe('a formula of another maker', () => {
  // MathML Core, 3.3.2 and 3.4.1.
  test.each([
    [
      'fractions and powers',
      `<math ${M} display="block"><mfrac><mn>1</mn><msup><mi>x</mi><mn>2</mn></msup></mfrac></math>`,
      `<math xmlns="http://www.w3.org/1998/Math/MathML" display="block"><mfrac><mn>1</mn><msup><mi>x</mi><mn>2</mn></msup></mfrac></math>`,
      '1 x 2',
    ],
    [
      'a prefix, declared or not',
      `<m:math><m:mi> x </m:mi>\n <m:mo>&lt;</m:mo><m:mn>3</m:mn></m:math>`,
      `<math xmlns="http://www.w3.org/1998/Math/MathML"><mi> x </mi><mo>&lt;</mo><mn>3</mn></math>`,
      'x < 3',
    ],
    [
      'of several renderings the first',
      `<math ${M}><semantics><mrow><mi>a</mi></mrow><annotation encoding="application/x-tex">a</annotation></semantics><maction><mi>b</mi><mi>c</mi></maction></math>`,
      `<math xmlns="http://www.w3.org/1998/Math/MathML"><mrow><mi>a</mi></mrow><mi>b</mi></math>`,
      'a b',
    ],
    [
      'nothing that runs, leads away or is drawn elsewhere',
      `<math ${M} onclick="x()" href="javascript:x()"><mi style="color:red" class="a">x</mi><script>x()</script><mtext>is<img src="a"/></mtext><mglyph src="a"/></math>`,
      `<math xmlns="http://www.w3.org/1998/Math/MathML"><mi>x</mi><mtext>is</mtext></math>`,
      'x is',
    ],
  ])('%s', (_what, given, mathml, words) => {
    expect(readFormula(given)).toEqual({ mathml, words });
    expect(readFormula(mathml)).toEqual({ mathml, words });
  });

  test.each([
    ['no formula', '<svg xmlns="http://www.w3.org/2000/svg"/>'],
    ['one without signs', `<math ${M}><mrow/></math>`],
    ['one that nests too deep', `<math ${M}>${'<mrow>'.repeat(300)}<mi>x</mi>`],
    ['one that is too long', `<math ${M}>${'<mi>x</mi>'.repeat(6000)}</math>`],
  ])('%s can’t be kept', (_what, given) => {
    expect(readFormula(given)).toBeNull();
  });
});
