import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { attrsOf, schema } from '../../manuscript/index.js';

/** A text in which passages in the language of the book are not marked as such. */
export function withoutLanguage(doc: Node, language: string): Node {
  const transform = new Transform(doc);
  doc.descendants((node, at) => {
    const mark = node.marks.find(({ type }) => type === schema.marks.language);
    if (mark && isWithin(attrsOf.language(mark).tag, language))
      transform.removeMark(at, at + node.nodeSize, mark);
  });
  return transform.doc;
}

/** The same language, told more or less exactly: `en` and `en-GB`, but not `zh-Hans` and `zh-Hant`. */
const isWithin = (tag: string, language: string): boolean =>
  tag === language || tag.startsWith(`${language}-`) || language.startsWith(`${tag}-`);
