import { isTag, type Element } from 'domhandler';
import { textContent } from 'domutils';
import { childNamed, element, inside, words } from '../page/elements.js';

/** A formula of Office Math (ECMA-376-1, 22.1) as MathML Core; what has no counterpart there stays as its signs in a row. */
export function formulaFrom(source: Element): Element {
  const isBlock = source.name.endsWith('oMathPara');
  return element('math', { ...NAMESPACE, ...(isBlock ? { display: 'block' } : {}) }, rows(source));
}

const NAMESPACE = { xmlns: 'http://www.w3.org/1998/Math/MathML' };

type Write = (source: Element) => Element[];

const made =
  (name: string, ...parts: string[]): Write =>
  (source) => [
    element(
      name,
      {},
      parts.map((part) => row(childNamed(source, part))),
    ),
  ];

const valueIn = (source: Element, properties: string, name: string): string | undefined =>
  childNamed(childNamed(source, properties), name)?.attribs['m:val'];

const WRITERS: Record<string, Write> = {
  'm:r': (source) => signs(textContent(source)),
  'm:f': made('mfrac', 'm:num', 'm:den'),
  'm:sSup': made('msup', 'm:e', 'm:sup'),
  'm:sSub': made('msub', 'm:e', 'm:sub'),
  'm:sSubSup': made('msubsup', 'm:e', 'm:sub', 'm:sup'),
  'm:limLow': made('munder', 'm:e', 'm:lim'),
  'm:limUpp': made('mover', 'm:e', 'm:lim'),
  'm:func': (source) => [...rows(childNamed(source, 'm:fName')), ...rows(childNamed(source, 'm:e'))],
  'm:rad': (source) =>
    textContent(childNamed(source, 'm:deg') ?? element('none')) === ''
      ? made('msqrt', 'm:e')(source)
      : made('mroot', 'm:e', 'm:deg')(source),
  'm:nary': (source) => {
    const sign = sign1('mo', valueIn(source, 'm:naryPr', 'm:chr') ?? '∫');
    const scripts = [row(childNamed(source, 'm:sub')), row(childNamed(source, 'm:sup'))];
    return [element('munderover', {}, [sign, ...scripts]), ...rows(childNamed(source, 'm:e'))];
  },
  'm:d': (source) => {
    const sign = (name: string, usual: string) => sign1('mo', valueIn(source, 'm:dPr', name) ?? usual);
    const parts = inside(source).filter(({ name }) => name === 'm:e');
    const between = parts.flatMap((part, index) =>
      index === 0 ? rows(part) : [sign('m:sepChr', '|'), ...rows(part)],
    );
    return [element('mrow', {}, [sign('m:begChr', '('), ...between, sign('m:endChr', ')')])];
  },
  'm:acc': (source) => [
    element('mover', { accent: 'true' }, [
      row(childNamed(source, 'm:e')),
      sign1('mo', valueIn(source, 'm:accPr', 'm:chr') ?? '̂'),
    ]),
  ],
  'm:bar': (source) => [element('mover', {}, [row(childNamed(source, 'm:e')), sign1('mo', '‾')])],
  'm:m': (source) => [
    element(
      'mtable',
      {},
      inside(source)
        .filter(({ name }) => name === 'm:mr')
        .map((line) =>
          element(
            'mtr',
            {},
            inside(line)
              .filter(({ name }) => name === 'm:e')
              .map((cell) => element('mtd', {}, rows(cell))),
          ),
        ),
    ),
  ],
  'm:eqArr': (source) => [
    element(
      'mtable',
      {},
      inside(source)
        .filter(({ name }) => name === 'm:e')
        .map((line) => element('mtr', {}, [element('mtd', {}, rows(line))])),
    ),
  ],
};

function rows(source: Element | null): Element[] {
  return (source?.children ?? []).filter(isTag).flatMap((one): Element[] => {
    const write = WRITERS[one.name];
    if (write) return write(one);
    return /Pr$/.test(one.name) ? [] : one.name === 'w:r' ? signs(textContent(one)) : rows(one);
  });
}

const row = (source: Element | null): Element => element('mrow', {}, rows(source));
const sign1 = (name: string, text: string): Element => element(name, {}, [words(text)]);

/** Letters, numbers and operators of a run. */
function signs(text: string): Element[] {
  return (text.match(/\d+(?:[.,]\d+)*|\p{L}\p{M}*|\S/gu) ?? []).map((sign) =>
    sign1(/^\d/.test(sign) ? 'mn' : /^\p{L}/u.test(sign) ? 'mi' : 'mo', sign),
  );
}
