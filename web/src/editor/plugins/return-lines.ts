import {
  BETWEEN_RETURNS,
  linksOfLine,
  listsIn,
  orderOf,
  originsOf,
  returnLines,
  returnLists,
  sectionFinder,
  type Chapter,
  type ContentsAttrs,
} from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { Plugin, PluginKey, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { useBook, type BookStore } from '../../book/store.js';
import { returnWords } from '../../book/said.js';

const key = new PluginKey<DecorationSet>('return lines');

/** Shows the ways back that stand after sections in what is published: of question lists, and those that were chosen for the book. */
export function returnLinesShown(chapter: string): Plugin {
  return new Plugin<DecorationSet>({
    key,
    state: {
      init: (_config, { doc }) => show(doc, chapter),
      apply(transaction, before) {
        if (transaction.getMeta(key) || mayMove(transaction)) return show(transaction.doc, chapter);
        return transaction.docChanged ? before.map(transaction.mapping, transaction.doc) : before;
      },
    },
    props: { decorations: (state) => key.getState(state) },
    view(view) {
      let shown = keyOf(useBook.getState());
      const stop = useBook.subscribe((store) => {
        const now = keyOf(store);
        if (now.every((part, at) => part === shown[at])) return;
        shown = now;
        if (wanted(view.state.doc, chapter) || (key.getState(view.state)?.find().length ?? 0) > 0)
          view.dispatch(view.state.tr.setMeta(key, true));
      });
      return { destroy: stop };
    },
  });
}

/** What the ways back depend on beside the text; what leads to sections only where ways back to there are wanted. */
const keyOf = ({ contents, book, links }: BookStore) => {
  const returns = book?.structure.returns;
  return [contents, returns, returns?.after && returns.to.includes('origin') ? links : null];
};

/** A change of blocks may end a section elsewhere; typing within one does not. */
const mayMove = ({ doc, before, docChanged }: Transaction): boolean =>
  docChanged && doc.childCount !== before.childCount;

/** The lists of contents of the whole book; those of the other chapters as they were last kept. */
function listsOfBook(doc: Node, chapter: string): Pick<ContentsAttrs, 'id' | 'back' | 'backWords'>[] {
  const { book } = useBook.getState();
  return (book?.chapters ?? []).flatMap((one) => (one.id === chapter ? listsIn(doc) : listsKept(one)));
}

function listsKept({ doc }: Chapter): ContentsAttrs[] {
  const { content = [] } = doc as { content?: { type: string; attrs: ContentsAttrs }[] };
  return content.filter(({ type }) => type === 'contents').map(({ attrs }) => attrs);
}

function wanted(doc: Node, chapter: string): boolean {
  const { book } = useBook.getState();
  return (book?.structure.returns.after ?? 0) > 0 || listsOfBook(doc, chapter).some(({ back }) => back);
}

function show(doc: Node, chapter: string): DecorationSet {
  const { book, contents } = useBook.getState();
  if (!book || !wanted(doc, chapter)) return DecorationSet.empty;
  const lists = returnLists(contents, listsOfBook(doc, chapter));
  const lines = returnLines(doc, book.structure, lists, sectionsLedTo());
  const drawn = [...lines].map(([at, line]) => {
    const words = linksOfLine(line).map(returnWords).join(BETWEEN_RETURNS);
    return Decoration.widget(at, () => element(words), {
      side: -1,
      key: `${at} ${words}`,
      ignoreSelection: true,
    });
  });
  return DecorationSet.create(doc, drawn);
}

/** Says of a section whether anything leads there from outside of it; looked up only where it is asked. */
function sectionsLedTo(): (section: string) => boolean {
  let origins: ReadonlyMap<string, unknown> | null = null;
  return (section) => {
    const { book, links, places } = useBook.getState();
    origins ??= originsOf(links, places, sectionFinder(places, book?.chapters ?? [], orderOf));
    return origins.has(section);
  };
}

function element(words: string): HTMLElement {
  const line = document.createElement('p');
  line.className = 'return-line';
  line.contentEditable = 'false';
  line.title = 'This way back stands here in what is published';
  line.textContent = words;
  return line;
}
