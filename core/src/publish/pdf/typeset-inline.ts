import type { Mark, Node } from 'prosemirror-model';
import { accessibleName } from '../../reader/index.js';
import { hrefOf, type Destination } from '../../destination/index.js';
import { phrases } from '../../language/index.js';
import { attrsOf, BETWEEN_RETURNS, noteMarkOf, sayingOf, type Note } from '../../manuscript/index.js';
import { targetIn } from '../edition/edition.js';
import { inlineTree, type InlineTree } from '../edition/inline-tree.js';
import { atFoot, noteBacks } from '../edition/note-backs.js';
import { setFormula } from './formula.js';
import { addressOfLink, addressOfPlace } from './own-address.js';
import { saidOf } from './said-of.js';
import { settled } from './settled.js';
import { anchors, fitting, type Content, type TypesetContext, type TypesetNode } from './typeset-node.js';

const spot = (id: string | null): TypesetNode[] => anchors(id === null ? [] : [id]);

/** What stands within a line. */
export function inline(block: Node, context: TypesetContext): Content {
  return inlineTree(block).flatMap((tree) => inlineNode(tree, context));
}

function inlineNode(tree: InlineTree, context: TypesetContext): Content {
  if ('leaf' in tree) return leaf(tree.leaf, context);
  const within = { ...context, displays: false };
  const children = tree.children.flatMap((child) => inlineNode(child, within));
  return marked(tree.mark, children, context);
}

function leaf(node: Node, context: TypesetContext): Content {
  switch (node.type.name) {
    case 'text':
      return [fitting(node.text ?? '', context.room)];
    case 'hard_break':
      return [{ t: 'br' }];
    case 'picture':
      return [...spot(context.once(node.attrs.id)), { t: 'picture', ...picture(node, context, '') }];
    case 'formula': {
      const { mathml, words } = attrsOf.formula(node);
      const set = setFormula(mathml);
      return set
        ? [{ t: 'formula', ...set, block: set.block && context.displays === true, words }]
        : [fitting(words, context.room)];
    }
    case 'note':
    case 'note_mark':
      return noteMark(node, context);
    case 'reference':
      return reference(node, context);
    case 'return_link':
      return returnLink(node, context);
    default:
      return spot(context.once(node.attrs.id));
  }
}

/** The address of a link as it is printed beside its words: a number, or within a note the address itself. */
export function address(link: string, destination: Destination, context: TypesetContext): TypesetNode[] {
  const { printed, chapter, inNote, room } = context;
  const one = inNote ? printed.beside(link, destination, chapter) : printed.of(link, destination, chapter);
  return one ? [{ t: 'address', number: one.number, words: fitting(one.address, room) }] : [];
}

const MARKS: Record<string, string> = {
  emphasis: 'em',
  strong: 'strong',
  code: 'mono',
  subscript: 'sub',
  superscript: 'sup',
  struck: 'struck',
  small_capitals: 'caps',
};

function marked(mark: Mark, children: Content, context: TypesetContext): Content {
  const name = mark.type.name;
  if (name === 'link') {
    const { id, look, destination } = attrsOf.link(mark);
    const target = leadsTo(id, destination, context);
    if (!('to' in target)) return children;
    const shown =
      wordsIn(children) === '' && !hasPicture(children)
        ? [...children, fitting(hrefOf(destination), context.room)]
        : children;
    const at = context.edition.origins.has(id) ? context.once(id) : null;
    return [...spot(at), { t: 'link', ...target, look, c: shown }, ...address(id, destination, context)];
  }
  if (name === 'bookmark') {
    return [...spot(context.once(mark.attrs.id)), ...children];
  }
  if (name === 'language') return [{ t: 'lang', lang: attrsOf.language(mark).tag, c: children }];
  return MARKS[name] ? [{ t: MARKS[name], c: children }] : children;
}

const wordsIn = (children: Content): string =>
  accessibleName({
    text: children.map((child) => (typeof child === 'string' ? child : wordsIn(child.c ?? []))).join(''),
  });
const hasPicture = (children: Content): boolean =>
  children.some(
    (child) =>
      typeof child !== 'string' &&
      (child.t === 'picture' || child.t === 'formula' || hasPicture(child.c ?? [])),
  );

/** PDF/UA-1 wants words for every picture that is not decoration; without any, its caption has to do. */
export function picture(node: Node, context: TypesetContext, otherwise: string): Record<string, unknown> {
  const { enclosure, alt, decorative } = attrsOf.picture(node);
  return {
    src: context.pictures.get(enclosure) ?? null,
    alt: alt || otherwise || phrases(context.edition.book.language).picture,
    decorative,
  };
}

/** The mark of a note. Where notes stand at the foot of pages, the first mark brings the note itself. */
export function noteMark(node: Node, context: TypesetContext): Content {
  const { edition } = context;
  const { id, of } = noteMarkOf(node);
  const note = edition.map.byId.get(of);
  if (!note) return [];
  const at = spot(context.once(id));
  const mark = { place: note.id, number: note.number };
  if (node.type.name === 'note_mark' || !atFoot(edition)) return [...at, { t: 'mark', ...mark }];
  return [...at, { t: 'note', ...mark, back: note.marks[0]?.id ?? id, remark: remark(note, context) }];
}

/** The paragraphs of a note, with its place before the first and its ways back after the last. */
export function remark(note: Note, context: TypesetContext): TypesetNode {
  const start = spot(context.once(note.id));
  // Wherever it stands, it is of the chapter of its mark.
  const within = { ...context, chapter: note.chapter, displays: false, inNote: true };
  const paragraphs = note.node.children.map((one, index) =>
    settled([...(index === 0 ? start : []), ...inline(one, within)], index === 0),
  );
  return {
    t: 'remark',
    paragraphs,
    backs: noteBacks(note, context.edition).map(({ to, words }) => ({
      t: 'back',
      to: addressOfPlace(to, words),
      c: [words],
    })),
  };
}

/** What a page number stands as while the words of a reference are put together. */
const PAGE = '\ue000';

/** A reference; its page numbers are left to the typesetter. */
export function reference(node: Node, context: TypesetContext): Content {
  const { edition } = context;
  const { id, place } = attrsOf.reference(node);
  const say = sayingOf(edition.places, edition.map.orders, {
    language: edition.book.language,
    pageOf: () => PAGE,
  });
  const words = say(node)
    .split(PAGE)
    .flatMap((said, index): Content => {
      const text = fitting(said, context.room);
      return index === 0 ? [text] : [{ t: 'page', place }, text];
    })
    .filter((part) => part !== '');
  if (!edition.places.has(place)) return words;
  const at = edition.origins.has(id) ? context.once(id) : null;
  return [...spot(at), { t: 'link', to: addressOfLink(id), look: null, c: words }];
}

export function returnLink(node: Node, { edition, room }: TypesetContext): Content {
  return edition
    .returnsOf(node)
    .flatMap(({ to, words }, index): Content => [
      ...(index === 0 ? [] : [BETWEEN_RETURNS]),
      { t: 'link', to: addressOfPlace(to, words), look: null, c: [fitting(words, room)] },
    ]);
}

/** Where a link of the book leads, as the typesetter is told. */
export function leadsTo(
  id: string,
  destination: Destination,
  { edition, links }: TypesetContext,
): { to: string } | Record<string, never> {
  const target = targetIn(edition, destination);
  if (!target) return {};
  const link = links.get(id);
  const isSaid = 'place' in target || (link !== undefined && saidOf(link, edition) !== '');
  return { to: isSaid ? addressOfLink(id) : target.href };
}
