import { entriesOf, idOf, schema, type EntryAttrs, type EntryInText } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { EditorView } from 'prosemirror-view';
import { mint } from '../state/mint.js';

const found = (view: EditorView, id: string): EntryInText | undefined =>
  entriesOf(view.state.doc).find(({ node }) => idOf(node) === id);

/** The entry with all that stands below it. */
function branch(entries: readonly EntryInText[], at: number): EntryInText[] {
  const level = entries[at]?.attrs.level ?? 1;
  const end = entries.findIndex((entry, index) => index > at && entry.attrs.level <= level);
  return entries.slice(at, end < 0 ? undefined : end);
}

/** What a title may be: words, on one line. */
export const titleFrom = (typed: string): string => typed.replace(/\s+/g, ' ').trim().slice(0, 1_000);

/** Puts entries behind another one, or at the end; they are one thing to undo. Gives the id of the first. */
export function addEntries(
  view: EditorView,
  wanted: readonly Pick<EntryAttrs & { title: string }, 'title' | 'level' | 'page' | 'y'>[],
  after: string | null,
): string | null {
  const behind = after === null ? undefined : found(view, after);
  const at = behind ? behind.at + behind.node.nodeSize : view.state.doc.content.size;
  const nodes = wanted.map(({ title, level, page, y }) =>
    schema.node('entry', { id: mint(), level, page, y, from: null }, schema.text(title)),
  );
  if (nodes.length > 0) view.dispatch(closeHistory(view.state.tr).insert(at, nodes));
  return nodes[0] ? idOf(nodes[0]) : null;
}

export function renameEntry(view: EditorView, id: string, typed: string): void {
  const entry = found(view, id);
  const title = titleFrom(typed);
  if (!entry || title === '' || title === entry.title) return;
  const from = entry.at + 1;
  view.dispatch(
    closeHistory(view.state.tr).replaceWith(from, from + entry.node.content.size, schema.text(title)),
  );
}

/** Lets an entry and all below it stand deeper or higher. */
export function levelEntry(view: EditorView, id: string, by: 1 | -1): void {
  const entries = entriesOf(view.state.doc);
  const at = entries.findIndex(({ node }) => idOf(node) === id);
  const entry = entries[at];
  if (!entry) return;
  const above = entries[at - 1]?.attrs.level ?? 0;
  if (entry.attrs.level + by < 1 || (by === 1 && entry.attrs.level > above)) return;
  const transaction = closeHistory(view.state.tr);
  for (const { at: place, attrs } of branch(entries, at))
    transaction.setNodeAttribute(place, 'level', attrs.level + by);
  view.dispatch(transaction);
}

/** Moves an entry, with all below it, over the one before or after it. */
export function moveEntry(view: EditorView, id: string, by: 1 | -1): void {
  const entries = entriesOf(view.state.doc);
  const at = entries.findIndex(({ node }) => idOf(node) === id);
  if (at < 0) return;
  const moved = branch(entries, at);
  const first = moved[0];
  const last = moved.at(-1);
  if (!first || !last) return;
  const start = first.at;
  const end = last.at + last.node.nodeSize;
  const beside = by === -1 ? entries[at - 1] : branch(entries, at + moved.length).at(-1);
  if (!beside) return;
  const transaction = closeHistory(view.state.tr).delete(start, end);
  const target = by === -1 ? beside.at : beside.at + beside.node.nodeSize - (end - start);
  view.dispatch(
    transaction.insert(
      target,
      moved.map(({ node }) => node),
    ),
  );
}

/** Takes an entry out; what stands below it stays, a level higher. */
export function removeEntry(view: EditorView, id: string): void {
  const entries = entriesOf(view.state.doc);
  const at = entries.findIndex(({ node }) => idOf(node) === id);
  const entry = entries[at];
  if (!entry) return;
  const transaction = closeHistory(view.state.tr);
  for (const { at: place, attrs } of branch(entries, at).slice(1))
    transaction.setNodeAttribute(place, 'level', attrs.level - 1);
  view.dispatch(transaction.delete(entry.at, entry.at + entry.node.nodeSize));
}
