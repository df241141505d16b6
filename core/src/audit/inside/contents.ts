import { attrsOf, spotsOf } from '../../manuscript/index.js';
import { faultOfLook } from '../rules/look-contrast.js';
import type { InsideBook, InsideRule } from './inside-finding.js';
import { message } from '../../language/index.js';

function listsOf({ book, map }: InsideBook) {
  return book.chapters.flatMap(({ id: chapter, doc }) =>
    spotsOf(doc, chapter).contents.flatMap(({ node, at }) => {
      const { id, depth, look } = attrsOf.contents(node);
      const list = map.contents.get(id);
      const subject = { id, kind: 'contents' as const, chapter, at, words: 'Contents' };
      return list ? [{ list, depth, look, subject }] : [];
    }),
  );
}

/** A list of contents that leaves out headings of its section. */
export const contentsLeaveOut: InsideRule = {
  id: 'contents-leave-out',
  title: 'Lists of contents that leave out headings',
  severity: 'consider',
  criterion: 'WCAG 2.4.5 (G63)',
  find: (inside) =>
    listsOf(inside)
      .filter(({ list }) => list.leftOut > 0 && list.lines.length > 0)
      .map(({ list, depth, subject }) => ({
        subject,
        message: message(
          'This list leaves out {count, plural, one {one heading that lies} other {# headings that lie}} deeper than it goes.',
          { count: list.leftOut },
        ),
        repairs: [{ label: 'Go one level deeper', repair: { type: 'depth', depth: Math.min(6, depth + 1) } }],
      })),
};

/** A list of contents whose own look can't be read; its lines stand among links only. WCAG 1.4.3. */
export const contentsLook: InsideRule = {
  id: 'contents-look',
  title: 'Lists of contents that can’t be read in their own look',
  severity: 'must-fix',
  criterion: 'WCAG 1.4.3',
  find: (inside) =>
    listsOf(inside).flatMap(({ look, subject }) => {
      const fault = look && faultOfLook(look, false);
      return fault
        ? [{ subject, message: `${fault} Change the look in the slip of the list.`, repairs: [] }]
        : [];
    }),
};

/** A list of contents that lists nothing. */
export const contentsEmpty: InsideRule = {
  id: 'contents-empty',
  title: 'Lists of contents that list nothing',
  severity: 'must-fix',
  criterion: 'Common practice',
  find: (inside) =>
    listsOf(inside)
      .filter(({ list }) => list.lines.length === 0)
      .map(({ subject }) => ({
        subject,
        message: 'This list of contents is empty, since there is no heading below it in its section.',
        repairs: [
          { label: 'List the whole book', repair: { type: 'whole-book' } },
          { label: 'Remove the list', repair: { type: 'remove-block', words: '' } },
        ],
      })),
};
