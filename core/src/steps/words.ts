import type { Node } from 'prosemirror-model';
import { ReplaceAroundStep, ReplaceStep, type Step } from 'prosemirror-transform';

/** The words that a step puts into a text, block by block. */
export function wordsPutIn(step: Step): string[] {
  if (!(step instanceof ReplaceStep || step instanceof ReplaceAroundStep)) return [];
  const { content } = step.slice;
  const words = content.textBetween(0, content.size, '\n', ' ').trim();
  return words === '' ? [] : [words];
}

/** How a piece of a text is called where it has to be named. */
export function nameOf(doc: Node, from: number, to: number): string {
  const end = Math.min(to, doc.content.size);
  const words = doc.textBetween(Math.min(from, end), end, ' ', ' ').replace(/\s+/g, ' ').trim();
  if (words !== '') return words.length > 40 ? `${words.slice(0, 39)}…` : words;
  const around = doc.resolve(Math.min(from, end)).parent.textContent.slice(0, 40);
  return around || 'a place without words';
}
