import { create } from 'zustand';

/** The page in the middle of the window, from 1. */
export const usePageSeen = create<{ page: number }>(() => ({ page: 1 }));

/** Brings a page to the top of the column. */
export function toPage(page: number): void {
  const sheet = document.querySelector(`.ground-page[data-page="${page}"]`);
  const column = sheet?.closest('[data-scrolls]');
  if (!sheet || !column) return;
  column.scrollBy({ top: sheet.getBoundingClientRect().top - column.getBoundingClientRect().top - ABOVE });
}

/** What is seen above a page that was gone to, in CSS px. */
const ABOVE = 12;
