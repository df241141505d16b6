import type { Node } from 'prosemirror-model';
import { flatText, type Link } from '../../manuscript/index.js';
import { wordsSeen } from '../../reader/index.js';
import type { AuditContext, Found } from '../finding.js';
import { factsOf } from '../facts.js';
import type { TogetherRule } from './together-rule.js';

/** How far apart two links are: in one line with nothing between, or in lines that follow each other. */
type Gap = 'line' | 'figure' | 'blocks' | null;

/** A picture and the words beside it that lead to one place, as two links. WCAG H2. */
export const neighbours: TogetherRule = {
  id: 'neighbours',
  title: 'Picture and words side by side as two links to one place',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (H2)',
  find(link, _index, context, next) {
    const gap = gapBetween(link, next, context);
    if (!next || !gap) return null;
    const isPicture = (one: Link) => one.carrier === 'picture';
    if (isPicture(link) === isPicture(next) && gap !== 'line') return null;
    if (link.carrier === 'area' || next.carrier === 'area') return null;
    if (!isPicture(link) && !isPicture(next)) return null;
    return {
      judged: 'paragraph',
      message:
        'The picture and the words beside it lead to one place as two links. A screen reader says it twice, and the keyboard stops twice.',
      repairs:
        gap === 'line'
          ? [{ label: 'Make one link of both', repair: { type: 'join', link: next.id } }]
          : isPicture(link)
            ? [{ label: 'Take the link off the picture', repair: { type: 'unlink' } }]
            : [],
    };
  },
};

/** One link in pieces: a reader meets it several times. WCAG 2.4.4 (H2), common practice. */
export const splitText: TogetherRule = {
  id: 'split-text',
  title: 'One link in several pieces',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (H2)',
  find(link, _index, context, next): Found | null {
    const gap = gapBetween(link, next, context);
    if (!next || gap === null || gap === 'figure') return null;
    if (link.carrier !== 'text' || next.carrier !== 'text') return null;
    if (gap === 'blocks' && !goesOn(link, next)) return null;
    return {
      judged: 'paragraph',
      message:
        gap === 'line'
          ? `“${wordsSeen(link)}” and “${wordsSeen(next)}” are two links to one place. A screen reader says “link” twice, and the keyboard stops twice.`
          : 'This link goes on in the next line of the text as another one. A screen reader says each piece by itself.',
      repairs:
        gap === 'line'
          ? [{ label: 'Make one link of both', repair: { type: 'join', link: next.id } }]
          : [{ label: 'Remove this piece', repair: { type: 'unlink' } }],
    };
  },
};

/** Both have words, and not the same ones. */
const goesOn = (link: Link, next: Link): boolean =>
  wordsSeen(link) !== '' && wordsSeen(next) !== '' && wordsSeen(link) !== wordsSeen(next);

function gapBetween(link: Link, next: Link | undefined, context: AuditContext): Gap {
  if (!next || next.chapter !== link.chapter || factsOf(next).destinationKey !== factsOf(link).destinationKey)
    return null;
  const doc = context.docOf?.(link.chapter);
  if (!doc || next.from < link.to) return isCaptionOf(link, next) ? 'figure' : null;
  const [end, start] = [doc.resolve(link.to), doc.resolve(next.from)];
  if (end.parent === start.parent && end.parent.isTextblock)
    return /^[\s\u00a0\ufffc]*$/u.test(withoutBreaks(doc, link.to, next.from)) ? 'line' : null;
  if (link.carrier === 'picture' || next.carrier === 'picture')
    return followEachOther(doc, link, next) ? 'figure' : null;
  const fills = end.parentOffset === end.parent.content.size && start.parentOffset === 0;
  return fills && areSiblings(doc, link, next) ? 'blocks' : null;
}

/** What stands between two links; a line break counts as space, anything else that is no text as itself. */
function withoutBreaks(doc: Node, from: number, to: number): string {
  let isOther = false;
  doc.nodesBetween(from, to, (node) => {
    if (node.isInline && !node.isText && node.type.name !== 'hard_break') isOther = true;
  });
  return isOther ? 'x' : flatText(doc, from, to);
}

const isCaptionOf = (figure: Link, next: Link): boolean =>
  figure.carrier === 'picture' && next.carrier === 'text' && next.from > figure.from && next.to < figure.to;

/** The end of one block and the beginning of the next, with no words between. */
function followEachOther(doc: Node, link: Link, next: Link): boolean {
  const between = doc.textBetween(Math.min(link.to, next.from), next.from, ' ', 'x').trim();
  return between === '' && next.from - link.to <= 4;
}

/** Two lines, one after the other, in one and the same block: a heading and its paragraph, not items of a list. */
function areSiblings(doc: Node, link: Link, next: Link): boolean {
  const [end, start] = [doc.resolve(link.to), doc.resolve(next.from)];
  return (
    end.depth === start.depth &&
    end.node(end.depth - 1) === start.node(start.depth - 1) &&
    end.index(end.depth - 1) + 1 === start.index(start.depth - 1)
  );
}
