import { Fragment, type Attrs, type Mark, type Node } from 'prosemirror-model';
import { faultInDestination } from '../destination/index.js';
import { many, plainWords, withFewMarks, withoutForbidden } from '../language/index.js';
import { attrsOf, idOf } from './attrs.js';
import { faultInArea } from './area.js';
import { BOUNDS, CONTAINERS, faultInBounds, WORD_ATTRS } from './bounds.js';
import { schema } from './schema.js';

/** What was changed so that a text lies within the bounds: what it was, and why it is not as it was. */
export const FITTED = {
  depth: ['parts of the text', 'they were nested too deep, and stand in the level above'],
  heading: ['headings', `they were longer than ${many(BOUNDS.heading)} signs, and became paragraphs`],
  line: ['paragraphs', `they were longer than ${many(BOUNDS.line)} signs, and were divided`],
  linkWords: [
    'links',
    `their words were longer than ${many(BOUNDS.link)} signs; the rest stands after the link`,
  ],
  address: ['links', 'their addresses were longer than an address may be'],
  words: ['descriptions', 'their words were longer than words may be, and were cut'],
  areas: ['parts of pictures that are links', `a picture has at most ${BOUNDS.areas} of them`],
} as const;
export type Fitted = keyof typeof FITTED;

/** Counts what is changed. */
export type TellFitted = (what: Fitted) => void;

/** A text within the bounds; the same where it lies within them already. */
export function docWithinBounds(doc: Node, tell: TellFitted = () => {}): Node {
  return faultInBounds(doc) ? doc.copy(Fragment.from(blocksWithin(doc.children, 0, tell))) : doc;
}

/** Content that is on its way into a text, within the bounds. */
export function contentWithinBounds(content: Fragment, tell: TellFitted = () => {}): Fragment {
  const blocks = content.content.flatMap((node) =>
    node.isInline ? inlineWithin(node, tell) : blocksWithin([node], 0, tell),
  );
  return Fragment.from(blocks);
}

const blocksWithin = (nodes: readonly Node[], containers: number, tell: TellFitted): Node[] =>
  nodes.flatMap((node) => blockWithin(node, containers, tell));

function blockWithin(given: Node, containers: number, tell: TellFitted): Node[] {
  const node = withAttrs(given, tell);
  if (node.isTextblock) return lineWithin(node, tell);
  if (node.isLeaf) return [node];
  const inner = CONTAINERS.has(node.type.name) ? containers + 1 : containers;
  if (inner <= BOUNDS.containers) return [node.copy(Fragment.from(blocksWithin(node.children, inner, tell)))];
  tell('depth');
  return withAnchor(idOf(node), blocksWithin(dissolved(node), containers, tell));
}

/** The blocks that stand in a container, whatever it is made of. */
const dissolved = (node: Node): Node[] =>
  node.children.flatMap((child) => {
    if (child.type.name === 'table_caption') return [schema.node('paragraph', null, child.content)];
    return /^(?:list_item|table_body|table_row|table_cell|table_header)$/.test(child.type.name)
      ? withAnchor(idOf(child), dissolved(child))
      : [child];
  });

/** Blocks at whose beginning an id stands, so that what leads to it still arrives. */
function withAnchor(id: string | null, blocks: Node[]): Node[] {
  if (!id) return blocks;
  const anchor = schema.node('anchor', { id });
  const [first, ...rest] = blocks;
  if (first?.type.name === 'paragraph') return [first.copy(first.content.addToStart(anchor)), ...rest];
  return [schema.node('paragraph', null, [anchor]), ...blocks];
}

/** A line within the bounds: a heading that is too long becomes a paragraph, and a long line several. */
function lineWithin(line: Node, tell: TellFitted): Node[] {
  const inline = linksWithin(marksWithin(line.children.flatMap((child) => inlineWithin(child, tell))), tell);
  const { name } = line.type;
  const most = name === 'heading' ? BOUNDS.heading : BOUNDS.line;
  const same = inline.length === line.childCount && inline.every((node, index) => node === line.child(index));
  if (lengthOf(inline) <= most) return [same ? line : line.copy(Fragment.from(inline))];
  // Of captions there can be one only: their beginning is kept.
  const once = name === 'caption' || name === 'table_caption';
  tell(once ? 'words' : name === 'heading' ? 'heading' : 'line');
  const type = name === 'heading' ? schema.nodes.paragraph : line.type;
  const [first = [], ...rest] = dividedLine(inline);
  const start = type.create(name === 'heading' ? { id: idOf(line) } : line.attrs, first);
  return once ? [start] : [start, ...rest.map((part) => type.create(null, part))];
}

const lengthOf = (inline: readonly Node[]): number =>
  inline.reduce((sum, node) => sum + (node.text?.length ?? 1), 0);

/** How long the parts of a line become that is divided, so that there is room to write on. */
const PART = BOUNDS.line / 2;

/** A line in parts; they end at spaces where there are any. */
function dividedLine(inline: readonly Node[]): Node[][] {
  const parts: Node[][] = [[]];
  let room = PART;
  const put = (node: Node, length: number) => {
    parts.at(-1)?.push(node);
    room -= length;
  };
  const begin = () => {
    parts.push([]);
    room = PART;
  };
  for (const node of inline) {
    let text = node.text;
    if (text === undefined) {
      if (room < 1) begin();
      put(node, 1);
      continue;
    }
    while (text.length > room) {
      const space = text.lastIndexOf(' ', room);
      const high = /[\ud800-\udbff]/.test(text[room - 1] ?? '') ? 1 : 0;
      const end = space > 0 ? space : room - high;
      if (end > 0) put(schema.text(text.slice(0, end), node.marks), end);
      text = text.slice(end);
      begin();
    }
    if (text !== '') put(text === node.text ? node : schema.text(text, node.marks), text.length);
  }
  return parts.filter((part) => part.length > 0);
}

function inlineWithin(given: Node, tell: TellFitted): Node[] {
  const marks = given.marks.flatMap((mark) => markWithin(mark, tell));
  const node = withAttrs(
    marks.every((mark, index) => mark === given.marks[index]) && marks.length === given.marks.length
      ? given
      : given.mark(marks),
    tell,
  );
  if (node.isText) {
    const text = withoutForbidden(node.text ?? '');
    return text === node.text ? [node] : text === '' ? [] : [schema.text(text, node.marks)];
  }
  if (node.type.name !== 'note') return [node];
  return [node.copy(Fragment.from(blocksWithin(node.children, 0, tell)))];
}

function markWithin(mark: Mark, tell: TellFitted): Mark[] {
  if (mark.type.name === 'link' && faultInDestination(attrsOf.link(mark).destination)) {
    tell('address');
    return [];
  }
  const attrs = attrsWithin(mark.attrs, tell);
  return [attrs === mark.attrs ? mark : mark.type.create(attrs)];
}

function marksWithin(inline: Node[]): Node[] {
  let before = 0;
  return inline.flatMap((node) => {
    if (!node.isText) {
      before = 0;
      return [node];
    }
    const { text, trailing } = withFewMarks(node.text ?? '', before);
    before = trailing;
    return text === '' ? [] : text === node.text ? [node] : [schema.text(text, node.marks)];
  });
}

/** The words of a link that are too many stand after it. */
function linksWithin(inline: Node[], tell: TellFitted): Node[] {
  const lengths = new Map<string, number>();
  return inline.flatMap((node) => {
    const mark = node.marks.find(({ type }) => type.name === 'link');
    if (!mark) return [node];
    const { id } = attrsOf.link(mark);
    const before = lengths.get(id) ?? 0;
    const length = node.text?.length ?? 1;
    lengths.set(id, before + length);
    if (before + length <= BOUNDS.link) return [node];
    const room = Math.max(0, BOUNDS.link - before);
    if (room > 0 || before === BOUNDS.link) tell('linkWords');
    const rest = mark.removeFromSet(node.marks);
    if (room === 0 || !node.isText) return [node.mark(rest)];
    return [schema.text(node.text!.slice(0, room), node.marks), schema.text(node.text!.slice(room), rest)];
  });
}

function withAttrs(node: Node, tell: TellFitted): Node {
  const attrs = attrsWithin(node.attrs, tell);
  return attrs === node.attrs ? node : node.type.create(attrs, node.content, node.marks);
}

/** Attributes within the bounds; the same where they lie within them. */
function attrsWithin(attrs: Attrs, tell: TellFitted): Attrs {
  const changed: Record<string, unknown> = {};
  const put = (name: string, value: unknown) => {
    if (value !== attrs[name]) changed[name] = value;
  };
  if ('start' in attrs) put('start', whole(attrs.start, 0, BOUNDS.start));
  for (const name of ['colspan', 'rowspan']) if (name in attrs) put(name, whole(attrs[name], 1, BOUNDS.span));
  for (const [name, value] of Object.entries(wordsWithin(attrs, tell))) put(name, value);
  if (attrs.about) put('about', aboutWithin(attrs.about as Attrs, tell));
  if (attrs.link) put('link', linkWithin(attrs.link as Attrs, tell));
  if (Array.isArray(attrs.areas))
    put('areas', areasWithin(attrs.areas as Attrs[], 'spots' in attrs ? BOUNDS.onPage : BOUNDS.areas, tell));
  return Object.keys(changed).length > 0 ? { ...attrs, ...changed } : attrs;
}

const whole = (value: unknown, least: number, most: number): number =>
  Math.min(most, Math.max(least, Math.trunc(Number(value)) || least));

/** Those words of attributes that had to be changed. */
function wordsWithin(attrs: Attrs, tell: TellFitted): Record<string, string> {
  const changed: Record<string, string> = {};
  for (const name of WORD_ATTRS) {
    const words: unknown = attrs[name];
    if (typeof words !== 'string') continue;
    const plain = plainWords(words, BOUNDS.words);
    if (plain === words) continue;
    if (words.length > BOUNDS.words) tell('words');
    changed[name] = plain;
  }
  return changed;
}

function linkWithin(link: Attrs, tell: TellFitted): Attrs | null {
  if (faultInDestination(link.destination)) {
    tell('address');
    return null;
  }
  const about = link.about ? aboutWithin(link.about as Attrs, tell) : link.about;
  const words = { ...wordsWithin(link, tell), ...(about === link.about ? {} : { about }) };
  return Object.keys(words).length > 0 ? { ...link, ...words } : link;
}

function aboutWithin(about: Attrs, tell: TellFitted): Attrs {
  const words = wordsWithin(about, tell);
  return Object.keys(words).length > 0 ? { ...about, ...words } : about;
}

function areasWithin(areas: readonly Attrs[], most: number, tell: TellFitted): readonly Attrs[] {
  const kept = areas.flatMap((area, index): Attrs[] => {
    const words = wordsWithin(area, tell);
    const fitted = Object.keys(words).length > 0 ? { ...area, ...words } : area;
    if (faultInArea(fitted)) tell('address');
    else if (index >= most) tell('areas');
    else return [fitted];
    return [];
  });
  return kept.length === areas.length && kept.every((area, index) => area === areas[index]) ? areas : kept;
}
