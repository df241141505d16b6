import type { Element } from 'domhandler';
import { element, inside } from './elements.js';

/** The paragraphs of a remark; what stands in lists and tables there becomes paragraphs. */
export function remarkParagraphs(blocks: readonly Element[]): Element[] {
  return blocks.flatMap((block): Element[] => {
    if (/^(?:p|h[1-6]|dt|dd)$/.test(block.name))
      return block.children.length === 0
        ? []
        : [element('span', { 'data-note-paragraph': '' }, block.children)];
    return remarkParagraphs(inside(block));
  });
}
