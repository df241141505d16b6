import { attrsOf } from '@vennet/core/manuscript';
import type { EditorState } from 'prosemirror-state';
import { EditorView } from 'prosemirror-view';
import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { closeGround } from '../book/ground-file.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { goToLink } from '../editor/going/links.js';
import { showOnPage } from '../editor/going/show-page.js';
import { linksIn } from '../editor/state/links.js';
import { asksForSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { PageView } from '../editor/views/page-view.js';
import { followSheets } from '../editor/views/pages-in-sight.js';
import { FollowLink } from '../follow/FollowLink.js';
import { Margin } from '../margin/Margin.js';
import { useChapterView } from './chapter-view.js';
import { linkSelection } from './link-selection.js';
import { usePageSeen } from './page-seen.js';
import { GroundNotice } from './GroundNotice.js';
import { PageLine } from './PageLine.js';
import { usePageSize } from './page-size.js';

/** The pages of a finished file in a column, with the slips of their links beside them. */
export function PagesEditor({ chapter }: { chapter: string }) {
  const box = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const [search, setSearch] = useSearchParams();
  const [wanted, place, at] = [search.get('link'), search.get('place'), search.get('at')];
  const width = usePageSize(scroller);
  const title = useBook((store) => store.book?.title ?? '');

  useChapterView(chapter, box, scroller, {
    make: (place, first) => makeView(place, chapter, first),
    begin(view) {
      const pressed = (event: KeyboardEvent) => heard(view, event);
      document.addEventListener('keydown', pressed);
      return () => document.removeEventListener('keydown', pressed);
    },
  });
  useEffect(() => closeGround, []);
  useEffect(() => (scroller.current ? followSheets(scroller.current, seen) : undefined), [chapter]);

  useEffect(() => {
    const { view } = useEditor.getState();
    if (!view || (!wanted && !place && !at)) return;
    const link = wanted && linksIn(view.state.doc, chapter).find(({ id }) => id === wanted);
    if (link) {
      goToLink(view, link);
      showOnPage(view, { link: link.id });
    } else if (place) showOnPage(view, { place });
    else if (at) {
      const page = view.state.doc.nodeAt(Math.min(Number(at), view.state.doc.content.size - 1));
      if (page?.type.name === 'page') showOnPage(view, { place: attrsOf.page(page).id });
    }
    setSearch({}, { replace: true });
  }, [chapter, wanted, place, at, setSearch]);

  return (
    <main className="flex min-h-0 min-w-0 grow flex-col">
      <h1 className="sr-only">{title}</h1>
      <PageLine scroller={scroller} />
      <GroundNotice />
      <div ref={scroller} data-scrolls="" className="relative min-h-0 grow overflow-auto bg-[var(--ground)]">
        <div className="mx-auto grid w-fit min-w-full grid-cols-[minmax(min-content,1fr)_minmax(17rem,22rem)] gap-6 px-6 max-lg:grid-cols-1">
          <div ref={box} style={{ ['--page-width' as string]: width ? `${width}px` : undefined }} />
          <Margin scroller={scroller} />
        </div>
      </div>
      <FollowLink />
    </main>
  );
}

/** Pages stand in the order of their numbers. */
const seen = (index: number): void => {
  if (usePageSeen.getState().page !== index + 1) usePageSeen.setState({ page: index + 1 });
};

function makeView(place: HTMLElement, chapter: string, first: EditorState): EditorView {
  const view: EditorView = new EditorView(place, {
    state: first,
    nodeViews: {
      page: (node, view, getPos) => new PageView(node, view, getPos),
      entry: () => ({ dom: hidden() }),
    },
    attributes: { class: 'book-pages', 'aria-label': 'Pages of the book', role: 'document', tabindex: '0' },
    // Nothing is written on pages; keys are heard all the same.
    editable: () => false,
    dispatchTransaction(transaction) {
      view.updateState(openBook().texts.apply(chapter, transaction));
      const hand = () => {
        if (useEditor.getState().view === view) useEditor.setState({ state: view.state });
      };
      if (asksForSlip(transaction)) hand();
      else queueMicrotask(hand);
    },
  });
  return view;
}

/** Where keys mean something else. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="menu"]';

/** Keys for the pages are heard wherever nothing else has them: words of a page that are selected have no focus. */
function heard(view: EditorView, event: KeyboardEvent): void {
  const target = event.target as Element;
  // What one moves by scrolls; what would be typed is for no text.
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
  if (event.defaultPrevented || isPlain || target.closest(FIELDS)) return;
  const isLink = event.key.toLowerCase() === 'k' && !event.altKey;
  const done =
    (isLink && linkSelection(view)) ||
    view.someProp('handleKeyDown', (handle) => handle(view, event) || undefined);
  if (done) event.preventDefault();
}

function hidden(): HTMLElement {
  const element = document.createElement('span');
  element.hidden = true;
  return element;
}
