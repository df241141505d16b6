import { placesNamed } from '@vennet/core/edits';
import { directionOf } from '@vennet/core/language';
import type { EditorState } from 'prosemirror-state';
import { EditorView } from 'prosemirror-view';
import { useEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { useSearchParams } from 'react-router';
import { goToLink } from '../editor/going/links.js';
import { asksForSlip } from '../editor/state/slip.js';
import { linksIn } from '../editor/state/links.js';
import { useEditor } from '../editor/state/store.js';
import { useBookmarks } from '../editor/changes/bookmarks.js';
import { computedViews } from '../editor/views/computed-views.js';
import { dropOfPlace } from '../editor/changes/drag-place.js';
import { showPlace, showSpot } from '../editor/going/show-place.js';
import { goToPlace } from '../editor/going/visited.js';
import { ActionLine } from './ActionLine.js';
import { FollowLink } from '../follow/FollowLink.js';
import { FigureView } from '../editor/views/figure-view.js';
import { Margin } from '../margin/Margin.js';
import { LanguageOfWords } from './LanguageOfWords.js';
import { SpecialSigns } from './SpecialSigns.js';
import { NewTable } from './NewTable.js';
import { useChapterView } from './chapter-view.js';
import { Mentions } from '../mentions/Mentions.js';
import { keptIn } from '../editor/state/kept-drafts.js';
import { takeUp } from '../margin/ClosedDraft.js';
import { WordCount } from './WordCount.js';
import { TextMenu } from './TextMenu.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';

/** The text of one chapter and what stands around it. */
export function ChapterEditor({ chapter }: { chapter: string }) {
  const box = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const marked = useBookmarks((store) => store.shown);
  const [search, setSearch] = useSearchParams();
  const wanted = search.get('link');
  const place = search.get('place');
  const at = search.get('at');
  const draft = search.get('draft');

  useChapterView(chapter, box, scroller, {
    make: (place, first) => makeView(place, chapter, first),
    begin: (view) => void namePlaces(view, chapter),
  });

  useEffect(() => {
    const { view } = useEditor.getState();
    if (!view || (!wanted && !place && !at && !draft)) return;
    const link = wanted && linksIn(view.state.doc, chapter).find(({ id }) => id === wanted);
    if (link) {
      goToLink(view, link);
      bringIntoView(view, link.from);
    } else if (draft) {
      const kept = keptIn(view.state).find(({ id }) => id === draft);
      if (kept) takeUp(view, kept);
      bringIntoView(view, view.state.selection.from);
    } else if (place) showPlace(view, chapter, place);
    else if (at) showSpot(view, Number(at));
    setSearch({}, { replace: true });
  }, [chapter, wanted, place, at, draft, setSearch]);

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
      <WordCount chapter={chapter} />
      <FollowLink />
      <Mentions />
      <NewTable />
      <LanguageOfWords />
      <SpecialSigns />
    </main>
  );
}

/** The language of the open book, and how it runs. */
function ofLanguage(): { lang: string; dir: string } {
  const lang = useBook.getState().book?.language ?? 'en';
  return { lang, dir: directionOf(lang) };
}

function makeView(place: HTMLElement, chapter: string, first: EditorState): EditorView {
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
    state: first,
    nodeViews: {
      figure: (node, view, getPos) => new FigureView(node, view, getPos),
      ...computedViews(goToPlace),
    },
    attributes: () => ({
      class: 'book-text',
      'aria-label': 'Text of the chapter',
      role: 'textbox',
      'aria-multiline': 'true',
      spellcheck: 'true',
      ...ofLanguage(),
    }),
    dispatchTransaction(transaction) {
      view.updateState(openBook().texts.apply(chapter, transaction));
      handOn(view, asksForSlip(transaction));
    },
    handleDrop: (view, event) => dropOfPlace(view, event),
    handleClickOn(view, position, _node, _at, event) {
      if ((event.target as HTMLElement).closest('a')) event.preventDefault();
      if (!(event.ctrlKey || event.metaKey)) return false;
      const link = linksIn(view.state.doc, chapter).find(({ from, to }) => from <= position && position < to);
      if (!link) return false;
      useEditor.setState({ following: link });
      return true;
    },
  });
  return view;
}

/** What can always be led to gets its id for good, once the chapter is opened: it is the one it was counted by. */
function namePlaces(view: EditorView, chapter: string): void {
  const { tr } = view.state;
  for (const step of placesNamed(view.state.doc, chapter).steps) tr.step(step);
  if (tr.docChanged) view.dispatch(tr.setMeta('addToHistory', false));
}

function bringIntoView(view: EditorView, position: number): void {
  const { node } = view.domAtPos(position);
  const element = node instanceof HTMLElement ? node : node.parentElement;
  element?.scrollIntoView({ block: 'center' });
}
