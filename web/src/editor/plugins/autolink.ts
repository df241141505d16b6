import {
  addressAtEnd,
  addressesIn,
  fileNamed,
  recognise,
  type AddressInText,
  type Destination,
} from '@vennet/core/destination';
import { flatText, linkMark, schema } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import { Fragment, type Mark, type Node } from 'prosemirror-model';
import { Plugin, type EditorState, type Transaction } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

import { useBook } from '../../book/store.js';
import { mint } from '../state/mint.js';
import { makeOffer, type Offer } from '../state/slip.js';

/** Signs that finish an address: a space, and stops that are typed without one (common practice). */
const FINISHES = /^[\s。、，；！？」』》»]$/;
const DOTTED_WORD_AT_END = /(?:^|[\s(“"‘'])((?=\S*\.)[^\s<>"“”\ufffc]+)$/u;

type Address = AddressInText;

/** A word with a dot in it: a file of the Shelf by its name, or a bare domain. */
function dottedWordAtEnd(text: string): Address | null {
  const words = DOTTED_WORD_AT_END.exec(text)?.[1];
  if (!words) return null;
  const ends = trimmedEnds(words);
  const said = words.slice(ends.start, ends.end);
  const start = text.length - words.length + ends.start;
  const { files } = useBook.getState().surroundings;
  const file = fileNamed(said, files.values());
  const recognition = recognise(said);
  if (!file && !recognition.ok) return null;
  const destination = file ?? (recognition.ok ? recognition.destination : null);
  return destination && { start, end: start + said.length, destination };
}

const linkTo = (destination: Destination): Mark => schema.marks.link.create({ id: mint(), destination });

/** The address that ends at the caret, as `find` finds it in the text before, if it is no link, no code, and was not refused. */
function addressBeforeCaret(
  { selection, doc }: EditorState,
  find: (text: string) => Address | null,
): Address | null {
  const { $from, empty } = selection;
  if (!empty || !$from.parent.isTextblock || $from.parent.type.spec.code) return null;
  const block = $from.start();
  const found = find(flatText(doc, block, $from.pos));
  if (!found) return null;
  const address = { ...found, start: block + found.start, end: block + found.end };
  const { link, unlinked, code } = schema.marks;
  const closed = [link, unlinked, code].some((type) => doc.rangeHasMark(address.start, address.end, type));
  return closed ? null : address;
}

/** The transaction that links the address in full which ends at the caret. */
function linkBeforeCaret(state: EditorState): Transaction | null {
  const address = addressBeforeCaret(state, addressAtEnd);
  return address && closeHistory(state.tr.addMark(address.start, address.end, linkTo(address.destination)));
}

/** A bare domain that ends before the caret, such as `lamp.example`: an address, perhaps. */
function domainBeforeCaret(state: EditorState): Offer | null {
  const address = addressBeforeCaret(state, dottedWordAtEnd);
  return address && { from: address.start, to: address.end, destination: address.destination };
}

/** Links the addresses in the text of a pasted node, where it bears no link. */
export function linkAddresses(fragment: Fragment): Fragment {
  const nodes: Node[] = [];
  fragment.forEach((node) => {
    if (!node.isText || linkMark(node) || schema.marks.code.isInSet(node.marks))
      return void nodes.push(node.type.spec.code ? node : node.copy(linkAddresses(node.content)));
    const text = node.text ?? '';
    let done = 0;
    for (const address of addressesIn(text)) {
      if (address.start > done) nodes.push(node.cut(done, address.start));
      const words = node.cut(address.start, address.end);
      nodes.push(words.mark(linkTo(address.destination).addToSet(words.marks)));
      done = address.end;
    }
    if (done < text.length) nodes.push(done === 0 ? node : node.cut(done));
  });
  return Fragment.fromArray(nodes);
}

/** A pasted text that is one address and nothing else. */
function onlyAddress(text: string): Destination | null {
  const trimmed = text.trim();
  const [only] = addressesIn(trimmed);
  return only && only.start === 0 && only.end === trimmed.length ? only.destination : null;
}

function pasteOverWords(view: EditorView, text: string): boolean {
  const { selection, tr, doc } = view.state;
  const destination = onlyAddress(text);
  if (!destination || selection.empty || !selection.$from.sameParent(selection.$to)) return false;
  const ends = trimmedEnds(flatText(doc, selection.from, selection.to));
  if (ends.start >= ends.end) return false;
  tr.addMark(selection.from + ends.start, selection.from + ends.end, linkTo(destination));
  view.dispatch(closeHistory(tr));
  return true;
}

/**
 * Makes links of addresses that are typed or pasted in full. It happens once, when the address is finished; one undo
 * takes it back, and an address whose link was removed is left as words.
 */
export function autolink(): Plugin {
  const finish = (view: EditorView) => {
    const transaction = linkBeforeCaret(view.state);
    if (transaction) view.dispatch(transaction);
  };
  return new Plugin({
    props: {
      handleTextInput(view, from, to, text) {
        if (!FINISHES.test(text)) return false;
        const transaction = linkBeforeCaret(view.state);
        if (!transaction || from !== to) {
          const offer = from === to && text === ' ' ? domainBeforeCaret(view.state) : null;
          if (!offer) return false;
          view.dispatch(makeOffer(view.state.tr.insertText(text, from, to), offer));
          return true;
        }
        view.dispatch(view.state.tr.insertText(text, from, to).setStoredMarks([]));
        // After the space, so that one undo takes the link away and leaves what was typed.
        const [link] = transaction.steps;
        if (link) view.dispatch(closeHistory(view.state.tr.step(link)));
        return true;
      },
      handleKeyDown(view, event) {
        if (event.key === 'Enter' && !event.isComposing) finish(view);
        return false;
      },
      handlePaste: (view, event) => pasteOverWords(view, event.clipboardData?.getData('text/plain') ?? ''),
    },
  });
}
