import { withPlaceIds } from '@vennet/core/edits';
import { readChapter } from '@vennet/core/manuscript';
import { EditorView } from 'prosemirror-view';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { useSearchParams } from 'react-router';
import { goToLink } from '../editor/going/links.js';
import { createState } from '../editor/create-state.js';
import { asksForSlip } from '../editor/state/slip.js';
import { linkAtSelection, linksIn } from '../editor/state/links.js';
import { useEditor } from '../editor/state/store.js';
import { useBook } from '../book/store.js';
import { useBookmarks } from '../editor/changes/bookmarks.js';
import { computedViews } from '../editor/views/computed-views.js';
import { dropOfPlace } from '../editor/changes/drag-place.js';
import { showPlace, showSpot } from '../editor/going/show-place.js';
import { goBack, goForward, goToPlace } from '../editor/going/visited.js';
import { ActionLine } from './ActionLine.js';
import { copyAddress } from '../follow/copy-address.js';
import { FollowLink } from '../follow/FollowLink.js';
import { choosePicture } from '../editor/changes/insert-pictures.js';
import { FigureView } from '../editor/views/figure-view.js';
import { Margin } from '../margin/Margin.js';
import { Mentions } from '../mentions/Mentions.js';
import { keptPlace, keepPlace } from '../editor/going/kept-place.js';
import { TextMenu } from './TextMenu.js';
import { openBook } from '../book/open-book.js';

/** The text of one chapter and what stands around it. It is made anew when the chapter comes from the server anew. */
export function ChapterEditor({ chapter }: { chapter: string }) {
  const box = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const marked = useBookmarks((store) => store.shown);
  const [search, setSearch] = useSearchParams();
  const wanted = search.get('link');
  const place = search.get('place');
  const at = search.get('at');

  useEffect(() => {
    const { book } = useBook.getState();
    const stored = book?.chapters.find(({ id }) => id === chapter);
    if (!box.current || !stored) return;
    const view = makeView(box.current, chapter, withPlaceIds(readChapter(stored).doc, chapter));
    useEditor.setState({ view, chapter, state: view.state, following: null, mentions: null });
    if (scroller.current) keptPlace(chapter, view, scroller.current);
    return () => {
      useEditor.setState({ view: null, state: null, following: null, mentions: null });
      // A slip that goes away with the text still writes into it.
      queueMicrotask(() => view.destroy());
    };
  }, [chapter]);

  // While the page still stands: afterwards nothing has a height.
  useLayoutEffect(() => {
    const scrolled = scroller.current;
    return () => {
      const { view } = useEditor.getState();
      if (view && scrolled) keepPlace(chapter, view, scrolled);
      // What was cut here may be pasted in the next chapter: by then the book has to know that it is gone.
      void openBook().saver.saveAll();
    };
  }, [chapter]);

  useEffect(() => {
    const { view } = useEditor.getState();
    if (!view || (!wanted && !place && !at)) return;
    const link = wanted && linksIn(view.state.doc, chapter).find(({ id }) => id === wanted);
    if (link) {
      goToLink(view, link);
      bringIntoView(view, link.from);
    } else if (place) showPlace(view, chapter, place);
    else if (at) showSpot(view, Number(at));
    setSearch({}, { replace: true });
  }, [chapter, wanted, place, at, setSearch]);

  return (
    <main className="flex min-h-0 min-w-0 grow flex-col">
      <ActionLine />
      <div ref={scroller} className="relative min-h-0 grow overflow-y-auto bg-sheet">
        <div className="mx-auto grid max-w-[66rem] grid-cols-[minmax(0,34rem)_minmax(15rem,1fr)] gap-8 px-8 max-lg:grid-cols-1">
          <TextMenu>
            <div ref={box} data-bookmarks={marked ? '' : undefined} className="min-h-full pt-8 pb-[40vh]" />
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
  let after = 0;
  const handOn = (view: EditorView, now: boolean) => {
    cancelAnimationFrame(frame);
    clearTimeout(after);
    const hand = () => {
      if (useEditor.getState().view === view) useEditor.setState({ state: view.state });
    };
    // A slip that was asked for is there before the next key is typed: that key is for its field.
    if (now) flushSync(hand);
    // What was typed is drawn first, and what stands around the text follows.
    else frame = requestAnimationFrame(() => (after = window.setTimeout(hand)));
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
      back: goBack,
      forward: goForward,
    }),
    nodeViews: {
      figure: (node, view, getPos) => new FigureView(node, view, getPos),
      ...computedViews(goToPlace),
    },
    attributes: {
      class: 'book-text',
      'aria-label': 'Text of the chapter',
      role: 'textbox',
      'aria-multiline': 'true',
      spellcheck: 'true',
    },
    dispatchTransaction(transaction) {
      const { doc } = view.state;
      view.updateState(view.state.apply(transaction));
      if (view.state.doc !== doc) openBook().saver.edited(chapter, view.state.doc);
      handOn(view, asksForSlip(transaction));
    },
    handleDrop: (view, event) => dropOfPlace(view, event),
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
