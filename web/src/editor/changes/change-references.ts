import type { Destination } from '@vennet/core/destination';
import { attrsOf, schema, type Link, type ReferenceForm } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { mint } from '../state/mint.js';
import type { Draft } from '../state/kept-drafts.js';
import { dropDraft } from '../state/slip.js';
import { rememberPlace } from '../state/recent-destinations.js';

/** What the words of a link to a place are: the author's own, or computed as a reference of some form. */
export interface Reading {
  form: ReferenceForm | null;
  /** The author's words around what is computed. */
  own: string;
}

type ToPlace = Extract<Destination, { kind: 'place' }>;

/** Puts a reference in the place of words: of a draft, of a link, or of another reference. */
export function putReference(
  view: EditorView,
  at: Draft | Link,
  destination: ToPlace,
  { form, own }: Reading,
  hoverNote: string,
): void {
  if (!form) return;
  const { doc } = view.state;
  const before = 'carrier' in at ? at.id : mint();
  const marks = (doc.nodeAt(at.from)?.marks ?? doc.resolve(at.from).marks()).filter(
    ({ type }) => type !== schema.marks.link && type !== schema.marks.unlinked,
  );
  const attrs = { id: before, place: destination.place, form, own, hoverNote };
  const node = schema.nodes.reference.create(attrs, null, marks);
  const transaction = dropDraft(closeHistory(view.state.tr)).replaceWith(at.from, at.to, node);
  transaction.setSelection(TextSelection.create(transaction.doc, at.from + 1));
  view.dispatch(transaction);
  rememberPlace(destination.place);
}

/** What a reference reads, as its node has it; of any other link, the author’s own words. */
export function readingOf(doc: Node, link: Link | null): Reading {
  const node = link?.carrier === 'reference' ? doc.nodeAt(link.from) : null;
  if (node?.type !== schema.nodes.reference) return { form: null, own: '' };
  const { form, own } = attrsOf.reference(node);
  return { form, own };
}
