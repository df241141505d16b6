import type { EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useEffect, useLayoutEffect, useRef, type RefObject } from 'react';
import { openBook } from '../book/open-book.js';
import { keepPlace, keptPlace } from '../editor/going/kept-place.js';
import { useEditor } from '../editor/state/store.js';

/** How a view of a chapter is made, and what else is begun with it; what is given back ends it. */
export interface ChapterViewUse {
  make(place: HTMLElement, first: EditorState): EditorView;
  begin(view: EditorView): (() => void) | undefined;
}

/** Shows a chapter in a view for as long as it is open: what other hands change is seen, and the author comes back to the same spot. */
export function useChapterView(
  chapter: string,
  box: RefObject<HTMLElement | null>,
  scroller: RefObject<HTMLElement | null>,
  use: ChapterViewUse,
): void {
  const uses = useRef(use);
  useLayoutEffect(() => void (uses.current = use));
  useEffect(() => {
    const { texts } = openBook();
    const first = texts.stateOf(chapter);
    if (!box.current || !first) return;
    const view = uses.current.make(box.current, first);
    const unwatch = texts.watch((changed, state) => {
      if (changed !== chapter) return;
      view.updateState(state);
      useEditor.setState({ state });
    });
    const end = uses.current.begin(view);
    useEditor.setState({ view, chapter, state: view.state, following: null, mentions: null });
    if (scroller.current) keptPlace(chapter, view, scroller.current);
    return () => {
      end?.();
      unwatch();
      useEditor.setState({ view: null, state: null, following: null, mentions: null });
      // A slip that goes away with the text still writes into it.
      queueMicrotask(() => view.destroy());
    };
  }, [chapter, box, scroller]);

  // While the page still stands: afterwards nothing has a height.
  useLayoutEffect(() => {
    const scrolled = scroller.current;
    return () => {
      const { view } = useEditor.getState();
      if (view && scrolled) keepPlace(chapter, view, scrolled);
      // What was cut here may be pasted in the next chapter: by then the book has to know that it is gone.
      void openBook().texts.saveAll();
    };
  }, [chapter, scroller]);
}
