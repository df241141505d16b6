import { recognise, type Destination } from '@vennet/core/destination';
import { flatText, linkMark, schema } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import { Fragment, type Mark, type Node } from 'prosemirror-model';
import { Plugin, type EditorState, type Transaction } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { mint } from '../state/mint.js';
import { makeOffer, type Offer } from '../state/slip.js';

/**
 * An address in full: with its scheme, with www in front, or of email. A bare domain is offered, not forced. An email address begins where a word does,
 * and has at most 64 signs before its @ (RFC 5321, 4.5.3.1.1): a text of 100,000 signs without a space is looked through once.
 */
const ADDRESS = String.raw`(?:https?:\/\/|www\.|mailto:)[^\s<>"“”]+|(?<![^\s<>"“”@()\[\],;:])[^\s<>"“”@()\[\],;:]{1,64}@[^\s<>"“”@]{1,255}\.[^\s<>"“”@]{1,255}`;
const FULL_ADDRESS = new RegExp(ADDRESS, 'giu');
const FULL_ADDRESS_AT_END = new RegExp(String.raw`(?:^|[\s(“"‘'])(${ADDRESS})$`, 'iu');
const DOTTED_WORD_AT_END = /(?:^|[\s(“"‘'])((?=\S*\.)[^\s<>"“”\ufffc]+)$/u;

interface Address {
  start: number;
  end: number;
  destination: Destination;
}

function addressIn(text: string, start: number): Address | null {
  const ends = trimmedEnds(text);
  const recognition = recognise(text.slice(ends.start, ends.end));
  return recognition.ok
    ? { start: start + ends.start, end: start + ends.end, destination: recognition.destination }
    : null;
}

const linkTo = (destination: Destination): Mark => schema.marks.link.create({ id: mint(), destination });

/** The address that ends at the caret and fits a pattern, if it is no link, no code, and was not refused before. */
function addressBeforeCaret({ selection, doc }: EditorState, pattern: RegExp): Address | null {
  const { $from, empty } = selection;
  if (!empty || !$from.parent.isTextblock || $from.parent.type.spec.code) return null;
  const block = $from.start();
  const text = flatText(doc, block, $from.pos);
  const words = pattern.exec(text)?.[1];
  const address = words && addressIn(words, block + text.length - words.length);
  if (!address) return null;
  const { link, unlinked, code } = schema.marks;
  const closed = [link, unlinked, code].some((type) => doc.rangeHasMark(address.start, address.end, type));
  return closed ? null : address;
}

/** The transaction that links the address in full which ends at the caret. */
function linkBeforeCaret(state: EditorState): Transaction | null {
  const address = addressBeforeCaret(state, FULL_ADDRESS_AT_END);
  return address && closeHistory(state.tr.addMark(address.start, address.end, linkTo(address.destination)));
}

/** A bare domain that ends before the caret, such as `lamp.example`: an address, perhaps. */
function domainBeforeCaret(state: EditorState): Offer | null {
  const address = addressBeforeCaret(state, DOTTED_WORD_AT_END);
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
    for (const match of text.matchAll(FULL_ADDRESS)) {
      const address = addressIn(match[0], match.index);
      if (!address) continue;
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
  if (/\s/.test(trimmed) || !new RegExp(`^(?:${ADDRESS})$`, 'iu').test(trimmed)) return null;
  const recognition = recognise(trimmed);
  return recognition.ok ? recognition.destination : null;
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
        if (text !== ' ') return false;
        const transaction = linkBeforeCaret(view.state);
        if (!transaction || from !== to) {
          const offer = from === to ? domainBeforeCaret(view.state) : null;
          if (!offer) return false;
          view.dispatch(makeOffer(view.state.tr.insertText(' ', from, to), offer));
          return true;
        }
        view.dispatch(view.state.tr.insertText(' ', from, to).setStoredMarks([]));
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
