import { generate, parse, walk, type CssNode, type Declaration } from 'css-tree';
import { FUNCTIONS, PROPERTIES } from './allowed.js';

/** A reference to a part of the drawing itself. */
export const LOCAL = /^#[^\s"'()\\]+$/;

/** The value of a property as it can be kept, written anew; `null` where it could fetch or run something. */
export function cleanValue(property: string, value: string): string | null {
  const declarations = cleanDeclarations(`${property}:${value}`);
  return declarations === '' ? null : declarations.slice(declarations.indexOf(':') + 1);
}

/** The declarations of a `style` attribute that can be kept. */
export function cleanDeclarations(style: string): string {
  return read(style, 'declarationList', (list) => {
    if (list.type !== 'DeclarationList') return '';
    return list.children
      .toArray()
      .filter(mayStand)
      .map((one) => generate(one))
      .join(';');
  });
}

/** The rules of a style sheet that can be kept: those of selectors, without at-rules. */
export function cleanSheet(sheet: string): string {
  return read(sheet, 'stylesheet', (tree) => {
    if (tree.type !== 'StyleSheet') return '';
    return tree.children.toArray().flatMap(cleanRule).join('\n');
  });
}

function cleanRule(rule: CssNode): string[] {
  if (rule.type !== 'Rule' || rule.prelude.type !== 'SelectorList') return [];
  const selector = generate(rule.prelude);
  const declarations = rule.block.children
    .toArray()
    .filter(mayStand)
    .map((one) => generate(one));
  return declarations.length > 0 && !selector.includes('\\')
    ? [`${selector}{${declarations.join(';')}}`]
    : [];
}

function read(
  text: string,
  context: 'declarationList' | 'stylesheet',
  judge: (tree: CssNode) => string,
): string {
  try {
    return judge(parse(text, { context, onParseError: () => {} }));
  } catch {
    return ''; // nested deeper than can be read
  }
}

/** Escapes could spell anything, so nothing that has one outside a string stands. */
function mayStand(node: CssNode): node is Declaration {
  if (node.type !== 'Declaration' || !PROPERTIES.has(node.property.toLowerCase())) return false;
  if (node.value.type !== 'Value') return false;
  let fine = true;
  walk(node.value, (part) => {
    if (part.type === 'Url') fine &&= LOCAL.test(part.value);
    else if (part.type === 'Function') fine &&= FUNCTIONS.has(part.name.toLowerCase());
    else if (part.type === 'Identifier') fine &&= !part.name.includes('\\');
    else fine &&= HARMLESS.has(part.type);
  });
  return fine;
}

const HARMLESS: ReadonlySet<string> = new Set([
  'Value',
  'Number',
  'Dimension',
  'Percentage',
  'Hash',
  'String',
  'Operator',
  'Parentheses',
]);
