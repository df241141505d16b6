/** A page that is drawn when it comes into sight. */
export interface Sheet {
  /** Comes into sight or goes out of it. */
  show(isSeen: boolean): void;
}

const sheets = new WeakMap<Element, Sheet>();

/** Hands over a page that is to be told when it comes into sight. */
export const watchSheet = (element: Element, sheet: Sheet): void => void sheets.set(element, sheet);

/** How far outside of what is seen a page is drawn already, in heights of the window; further away it holds nothing. */
const AHEAD = 1;

/**
 * Tells the pages of a column whether they are in sight, while it is scrolled. Of a thousand pages only a few are looked at: an
 * observer of each would cost more time in every frame than all else.
 *
 * @param seen is told the page in the middle, by its place in the column
 * @returns ends it
 */
export function followSheets(scroller: HTMLElement, seen: (index: number) => void): () => void {
  let frame = 0;
  let shown = new Set<Element>();
  const look = () => {
    const pages = scroller.querySelectorAll('.ground-page');
    const { top, height } = scroller.getBoundingClientRect();
    const firstBelow = (y: number): number => {
      let [low, high] = [0, Math.max(0, pages.length - 1)];
      while (low < high) {
        const at = (low + high) >> 1;
        if ((pages[at]?.getBoundingClientRect().bottom ?? 0) < y) low = at + 1;
        else high = at;
      }
      return low;
    };
    if (pages.length === 0 || height === 0) return;
    seen(firstBelow(top + height / 3));
    const now = new Set<Element>();
    const [first, last] = [firstBelow(top - height * AHEAD), firstBelow(top + height * (1 + AHEAD))];
    for (const page of [...pages].slice(first, last + 1)) now.add(page);
    for (const page of shown) if (!now.has(page)) sheets.get(page)?.show(false);
    for (const page of now) sheets.get(page)?.show(true);
    shown = now;
  };
  const soon = () => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(look);
  };
  soon();
  scroller.addEventListener('scroll', soon, { passive: true });
  // Pages come, are made anew, and change their size.
  const changed = new MutationObserver(soon);
  const resized = new ResizeObserver(soon);
  resized.observe(scroller);
  const column = scroller.querySelector('.book-pages');
  if (column) {
    changed.observe(column, { childList: true });
    resized.observe(column);
  }
  return () => {
    cancelAnimationFrame(frame);
    scroller.removeEventListener('scroll', soon);
    changed.disconnect();
    resized.disconnect();
  };
}
