import { readChapter } from '@vennet/core/manuscript';
import { EditorView } from 'prosemirror-view';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { useSearchParams } from 'react-router';
import { goToLink, toLink } from '../editor/change-links.js';
import { createState } from '../editor/create-state.js';
import { asksForSlip } from '../editor/slip-plugin.js';
import { linkAtSelection, linksIn } from '../editor/links.js';
import { useEditor } from '../editor/store.js';
import { useBook } from '../store/book.js';
import { edited } from '../store/saver.js';
import { ActionLine } from './ActionLine.js';
import { copyAddress } from './copy-address.js';
import { FollowLink } from './FollowLink.js';
import { choosePicture } from '../picture/insert-pictures.js';
import { FigureView } from '../picture/figure-view.js';
import { Margin } from './Margin.js';
import { Mentions } from './Mentions.js';
import { keptPlace, keepPlace } from './kept-place.js';
import { TextMenu } from './TextMenu.js';

/** The text of one chapter and what stands around it. It is made anew when the chapter comes from the server anew. */
export function ChapterEditor({ chapter }: { chapter: string }) {
  const place = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const [search, setSearch] = useSearchParams();
  const wanted = search.get('link');
  const spot = search.get('place');

  useEffect(() => {
    const { book } = useBook.getState();
    const stored = book?.chapters.find(({ id }) => id === chapter);
    if (!place.current || !stored) return;
    const view = makeView(place.current, chapter, readChapter(stored).doc);
    useEditor.setState({ view, chapter, state: view.state, following: null, mentions: null });
    const box = scroller.current;
    if (box) keptPlace(chapter, view, box);
    return () => {
      useEditor.setState({ view: null, state: null, following: null, mentions: null });
      view.destroy();
    };
  }, [chapter]);

  // While the page still stands: afterwards nothing has a height.
  useLayoutEffect(() => {
    const box = scroller.current;
    return () => {
      const { view } = useEditor.getState();
      if (view && box) keepPlace(chapter, view, box);
    };
  }, [chapter]);

  useEffect(() => {
    const { view } = useEditor.getState();
    if (!view || (!wanted && !spot)) return;
    const link = wanted && linksIn(view.state.doc, chapter).find(({ id }) => id === wanted);
    if (link) {
      goToLink(view, link);
      bringIntoView(view, link.from);
    } else if (spot) flash(view, chapter, spot);
    setSearch({}, { replace: true });
  }, [chapter, wanted, spot, setSearch]);

  return (
    <main className="flex min-h-0 min-w-0 grow flex-col">
      <ActionLine />
      <div ref={scroller} className="relative min-h-0 grow overflow-y-auto bg-sheet">
        <div className="mx-auto grid max-w-[66rem] grid-cols-[minmax(0,34rem)_minmax(15rem,1fr)] gap-8 px-8 max-lg:grid-cols-1">
          <TextMenu>
            <div ref={place} className="min-h-full pt-8 pb-[40vh]" />
          </TextMenu>
          <Margin scroller={scroller} />
        </div>
      </div>
      <FollowLink />
      <Mentions />
    </main>
  );
}

function makeView(place: HTMLElement, chapter: string, doc: Parameters<typeof createState>[0]): EditorView {
  let frame = 0;
  const handOn = (view: EditorView, now: boolean) => {
    cancelAnimationFrame(frame);
    const hand = () => useEditor.setState({ state: view.state });
    // A slip that was asked for is there before the next key is typed: that key is for its field.
    if (now) flushSync(hand);
    else frame = requestAnimationFrame(hand);
  };
  const view: EditorView = new EditorView(place, {
    state: createState(doc, {
      chapter,
      follow: (state) => {
        const link = linkAtSelection(state, chapter);
        if (link) useEditor.setState({ following: link });
        return link !== null;
      },
      copyAddress: (state) => {
        const link = linkAtSelection(state, chapter);
        if (link) void copyAddress(link);
        return link !== null;
      },
      mentions: (state) => {
        const link = linkAtSelection(state, chapter);
        const words = link?.carrier === 'text' ? link.text.trim() : '';
        if (!link || words === '') return false;
        useEditor.setState({ mentions: { words, link } });
        return true;
      },
      choosePicture: () => {
        choosePicture(view);
        return true;
      },
    }),
    nodeViews: { figure: (node, view, getPos) => new FigureView(node, view, getPos) },
    attributes: {
      class: 'book-text',
      'aria-label': 'Text of the chapter',
      role: 'textbox',
      'aria-multiline': 'true',
      spellcheck: 'true',
    },
    dispatchTransaction(transaction) {
      view.updateState(view.state.apply(transaction));
      if (transaction.docChanged) edited(chapter, view.state.doc);
      handOn(view, asksForSlip(transaction));
    },
    handleClickOn(_view, _position, _node, _at, event) {
      if ((event.target as HTMLElement).closest('a')) event.preventDefault();
      return false;
    },
  });
  return view;
}

function bringIntoView(view: EditorView, position: number): void {
  const { node } = view.domAtPos(position);
  const element = node instanceof HTMLElement ? node : node.parentElement;
  element?.scrollIntoView({ block: 'center' });
}

/** Goes to a place and lets it light up, wherever it is. */
function flash(view: EditorView, chapter: string, place: string): void {
  const element =
    place === chapter ? view.dom.firstElementChild : view.dom.querySelector(`#${CSS.escape(place)}`);
  const shown = element?.matches('[data-anchor]') ? element.parentElement : element;
  if (!shown) return;
  shown.scrollIntoView({ block: 'center' });
  shown.animate(
    [{ background: 'var(--wash)', boxShadow: '0 0 0 6px var(--wash)' }, { background: 'transparent' }],
    { duration: 1800 },
  );
}

/** Steps through the links from outside the text; the text takes the focus. */
export function stepThroughLinks(direction: 1 | -1): void {
  const { view, chapter } = useEditor.getState();
  if (!view) return;
  toLink(chapter, direction)(view.state, view.dispatch);
  view.focus();
}
