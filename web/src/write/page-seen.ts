import { create } from 'zustand';

/** The page in the middle of the window, from 1. */
export const usePageSeen = create<{ page: number }>(() => ({ page: 1 }));

/** Follows which page is seen while a column of pages is scrolled. */
export function followPage(scroller: HTMLElement): () => void {
  let frame = 0;
  const look = () => {
    const box = scroller.getBoundingClientRect();
    const middle = box.top + box.height / 3;
    const pages = scroller.querySelectorAll<HTMLElement>('.ground-page');
    let [low, high] = [0, pages.length - 1];
    while (low < high) {
      const at = (low + high) >> 1;
      if ((pages[at]?.getBoundingClientRect().bottom ?? 0) < middle) low = at + 1;
      else high = at;
    }
    const page = Number(pages[low]?.dataset.page ?? 1);
    if (page !== usePageSeen.getState().page) usePageSeen.setState({ page });
  };
  const soon = () => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(look);
  };
  soon();
  scroller.addEventListener('scroll', soon, { passive: true });
  return () => {
    cancelAnimationFrame(frame);
    scroller.removeEventListener('scroll', soon);
  };
}

/** Brings a page to the top of the column. */
export function toPage(page: number): void {
  const sheet = document.querySelector(`.ground-page[data-page="${page}"]`);
  const column = sheet?.closest('[data-scrolls]');
  if (!sheet || !column) return;
  column.scrollBy({ top: sheet.getBoundingClientRect().top - column.getBoundingClientRect().top - ABOVE });
}

/** What is seen above a page that was gone to, in CSS px. */
const ABOVE = 12;
