import { isTag, type ChildNode, type Document, type Element } from 'domhandler';
import { getElementsByTagName, removeElement, textContent } from 'domutils';
import { element } from './elements.js';

/** Takes the label and number from captions that are counted anew: `Figure 3: `. What leads to them leads to the thing itself. */
export function withoutLabels(document: Document): void {
  const captions = getElementsByTagName(
    (name) => name === 'figcaption' || name === 'caption',
    document.children,
  );
  for (const caption of captions) {
    const [sequence] = getElementsByTagName((name) => name === 'span', caption.children).filter(
      ({ attribs }) => attribs['data-sequence'] !== undefined,
    );
    const owner = caption.parent;
    if (!sequence || !owner || !isTag(owner)) continue;
    const ids: string[] = [];
    let isPast = false;
    const walk = (node: ChildNode): void => {
      if (isPast) return;
      if (isTag(node)) {
        if (node.attribs.id) ids.push(node.attribs.id);
        if (node === sequence) isPast = true;
        else [...node.children].forEach(walk);
      } else removeElement(node);
    };
    [...caption.children].forEach(walk);
    removeElement(sequence);
    for (const id of ids)
      for (const one of getElementsByTagName((name) => name === 'span' || name === 'a', caption.children))
        if (one.attribs.id === id && textContent(one).trim() === '') removeElement(one);
    trimStart(caption);
    const [own, ...more] = ids.filter((id) => !hasId(caption, id));
    if (own && !owner.attribs.id) owner.attribs.id = own;
    else if (own) more.unshift(own);
    caption.children.unshift(...more.map((id) => element('a', { id })));
    for (const child of caption.children) child.parent = caption;
  }
}

const hasId = (within: Element, id: string): boolean =>
  getElementsByTagName((name) => name !== '', within.children).some(({ attribs }) => attribs.id === id);

/** What stands between a number and the words of its caption. */
function trimStart(within: Element): void {
  const first = within.children.find((child) => !isTag(child) || textContent(child) !== '');
  if (!first) return;
  if (isTag(first)) trimStart(first);
  else if ('data' in first) first.data = first.data.replace(/^[\s.:–—-]+/, '');
}
