import { attrsOf } from '@vennet/core/manuscript';
import { EditorView } from 'prosemirror-view';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { closeGround } from '../book/ground-file.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { goToLink } from '../editor/going/links.js';
import { showOnPage } from '../editor/going/show-page.js';
import { keepPlace, keptPlace } from '../editor/going/kept-place.js';
import { linksIn } from '../editor/state/links.js';
import { asksForSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { PageView } from '../editor/views/page-view.js';
import { FollowLink } from '../follow/FollowLink.js';
import { Margin } from '../margin/Margin.js';
import { linkSelection } from './link-selection.js';
import { followPage } from './page-seen.js';
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

  useEffect(() => {
    const { texts } = openBook();
    const first = texts.stateOf(chapter);
    if (!box.current || !first) return;
    const view: EditorView = new EditorView(box.current, {
      state: first,
      nodeViews: {
        page: (node, view, getPos) => new PageView(node, view, getPos),
        entry: () => ({ dom: hidden() }),
      },
      attributes: { class: 'book-pages', 'aria-label': 'Pages of the book', role: 'document', tabindex: '0' },
      // Nothing is written on pages; keys are heard all the same.
      editable: () => false,
      dispatchTransaction(transaction) {
        view.updateState(texts.apply(chapter, transaction));
        if (asksForSlip(transaction)) useEditor.setState({ state: view.state });
        else
          queueMicrotask(
            () => useEditor.getState().view === view && useEditor.setState({ state: view.state }),
          );
      },
    });
    const pressed = (event: KeyboardEvent) => heard(view, event);
    document.addEventListener('keydown', pressed);
    const unwatch = texts.watch((changed, state) => {
      if (changed !== chapter) return;
      view.updateState(state);
      useEditor.setState({ state });
    });
    useEditor.setState({ view, chapter, state: view.state, following: null, mentions: null });
    if (scroller.current) keptPlace(chapter, view, scroller.current);
    return () => {
      document.removeEventListener('keydown', pressed);
      unwatch();
      useEditor.setState({ view: null, state: null, following: null, mentions: null });
      queueMicrotask(() => view.destroy());
    };
  }, [chapter]);
  useEffect(() => closeGround, []);

  useLayoutEffect(() => {
    const scrolled = scroller.current;
    return () => {
      const { view } = useEditor.getState();
      if (view && scrolled) keepPlace(chapter, view, scrolled);
      void openBook().texts.saveAll();
    };
  }, [chapter]);

  useEffect(() => (scroller.current ? followPage(scroller.current) : undefined), [chapter]);

  useEffect(() => {
    const { view } = useEditor.getState();
    if (!view || (!wanted && !place && !at)) return;
    const link = wanted && linksIn(view.state.doc, chapter).find(({ id }) => id === wanted);
    if (link) {
      goToLink(view, link);
      showOnPage(view, chapter, { link: link.id });
    } else if (place) showOnPage(view, chapter, { place });
    else if (at) {
      const page = view.state.doc.nodeAt(Math.min(Number(at), view.state.doc.content.size - 1));
      if (page?.type.name === 'page') showOnPage(view, chapter, { place: attrsOf.page(page).id });
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

/** Where keys mean something else. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="menu"]';

/** Keys for the pages are heard wherever nothing else has them: words of a page that are selected have no focus. */
function heard(view: EditorView, event: KeyboardEvent): void {
  const target = event.target as Element;
  // What one moves by scrolls; what would be typed is for no text.
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
  if (event.defaultPrevented || isPlain || target.closest(FIELDS)) return;
  const isLink = event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey) && !event.altKey;
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
