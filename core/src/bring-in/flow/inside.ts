import type { Element } from 'domhandler';
import type { Node } from 'prosemirror-model';
import { parsed } from '../../manuscript/carried.js';
import { REFERENCE_FORMS, schema } from '../../manuscript/index.js';
import type { Destination } from '../../destination/index.js';

/** True for what a file computed from the rest of its text, and what is computed anew here. */
export const isComputed = (element: Element): boolean => element.attribs['data-computed'] !== undefined;

/** True for an element of one of these kinds, by `epub:type` or by role (DPUB-ARIA 1.1). */
export function isOfType(element: Element, ...types: string[]): boolean {
  const said = `${element.attribs['epub:type'] ?? ''} ${element.attribs.role ?? ''}`.split(/\s+/);
  return types.some((type) => said.includes(type));
}

export const isNoteMark = (element: Element): boolean => isOfType(element, 'noteref', 'doc-noteref');
export const isBacklink = (element: Element): boolean => isOfType(element, 'backlink', 'doc-backlink');
/** The remark of a note: an element of its own, with all its paragraphs. */
export const isRemark = (element: Element): boolean =>
  element.name !== 'li' &&
  isOfType(element, 'footnote', 'endnote', 'rearnote', 'doc-footnote', 'doc-endnote');

/** The reference that a link is, when it says so and leads to a place of the book. */
export function referenceFrom(element: Element, destination: Destination, id: string): Node | null {
  const { 'data-reference': form = '', 'data-own': own = '', title = '' } = element.attribs;
  if (destination.kind !== 'place' || !(REFERENCE_FORMS as readonly string[]).includes(form)) return null;
  return made(() =>
    schema.nodes.reference.create({ id, place: destination.place, form, own, hoverNote: title }),
  );
}

/** A return link, by what it says of itself. */
export function returnFrom(element: Element, id: string): Node | null {
  const { 'data-return': to, 'data-own': own = '' } = element.attribs;
  return made(() => schema.nodes.return_link.create({ id, to, own }));
}

/** A list of contents, by what it says of itself. The ids of sections are those of the file. */
export function contentsFrom(
  element: Element,
  id: string,
  placeOf: (id: string) => string | null,
): Node | null {
  const chosen = parsed(element.attribs['data-contents']);
  if (typeof chosen !== 'object' || chosen === null) return null;
  const { section } = chosen as { section?: string };
  return made(() =>
    schema.nodes.contents.create({ ...chosen, id, section: section ? placeOf(section) : null }),
  );
}

/** What was written by someone else may not fit: then it is read like any other text. */
function made(create: () => Node): Node | null {
  try {
    const node = create();
    node.check();
    return node;
  } catch {
    return null;
  }
}
