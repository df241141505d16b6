import { isTag, type Element } from 'domhandler';
import { findOne, getElementsByTagName, textContent } from 'domutils';
import { CONTENTS, TOP } from '../../manuscript/index.js';
import type { Tally } from '../book/report.js';
import { isComputed } from '../flow/inside.js';

/** The place that stands for a page which is made of the rest of the book: its navigation, or a computed title page. */
export function madeAnew(item: Element, body: Element, guide: string, tally: Tally): string | null {
  const isNav = item.attribs.properties?.split(' ').includes('nav') && isOnlyNavigation(body);
  if (isNav || (guide === 'toc' && isListOfLinks(body))) {
    tally.add('changed', 'pages of contents', 'contents are made of the headings, and are always right');
    return CONTENTS;
  }
  if (guide === 'cover' && isOnlyPicture(body)) return TOP;
  const parts = body.children.filter(isTag);
  return parts.length > 0 && parts.every(isComputed) ? TOP : null;
}

/** Hardly any words but those of links within the e-book (OPF 2.0.1 has pages of contents as any other page). */
function isListOfLinks(body: Element): boolean {
  const anchors = getElementsByTagName('a', body.children, true).filter(
    ({ attribs }) => attribs.href !== undefined && !/^[a-z][a-z0-9+.-]*:/i.test(attribs.href),
  );
  const length = (words: string) => words.replace(/\s+/g, '').length;
  const lengthOf = (parts: Element[]) => parts.reduce((sum, part) => sum + length(textContent(part)), 0);
  const headings = getElementsByTagName((name) => /^h[1-6]$/.test(name), body.children, true);
  return anchors.length > 1 && lengthOf(anchors) >= 0.6 * (lengthOf([body]) - lengthOf(headings));
}

/** A picture, and hardly a word. */
const isOnlyPicture = (body: Element): boolean =>
  textContent(body).replace(/\s+/g, '').length < 20 &&
  findOne(({ name }) => /^(?:img|svg|image|object)$/.test(name), body.children, true) !== null;

/** Nothing but lists of links with their titles. */
const isOnlyNavigation = (body: Element): boolean =>
  body.children.every(
    (child) =>
      (isTag(child) && /^(?:nav|h[1-6])$/.test(child.name)) ||
      (isTag(child) && /^(?:div|section|main|header)$/.test(child.name) && isOnlyNavigation(child)) ||
      (!isTag(child) && textContent(child).trim() === ''),
  );
