import { pagesOf } from '@vennet/core/manuscript';
import { useEffect, useState, type RefObject } from 'react';
import { create } from 'zustand';
import { useEditor } from '../editor/state/store.js';

/** How large pages are shown: as wide as there is room, whole, or in percent of their size. */
export type PageSize = 'width' | 'whole' | number;
export const useSize = create<{ size: PageSize }>(() => ({ size: 'width' }));

/** What stands beside a page, in CSS px. */
const BESIDE = 24 * 16;
/** CSS px in a point. */
const PIXEL = 96 / 72;

/** How wide a page is shown, in CSS px; `null` before that is known. */
export function usePageSize(scroller: RefObject<HTMLElement | null>): number | null {
  const { size } = useSize();
  const doc = useEditor((store) => store.state?.doc ?? null);
  const [room, setRoom] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const measured = new ResizeObserver(() =>
      setRoom({ width: element.clientWidth, height: element.clientHeight }),
    );
    measured.observe(element);
    return () => measured.disconnect();
  }, [scroller]);
  const first = doc && pagesOf(doc)[0];
  if (!room || !first) return null;
  const { width, height } = first.attrs;
  const beside = room.width < 1024 ? 48 : BESIDE;
  const wide = Math.max(240, room.width - beside - 24);
  if (size === 'width') return Math.min(wide, width * PIXEL * 2);
  if (size === 'whole') return Math.max(200, Math.min(wide, ((room.height - 48) * width) / height));
  return (width * PIXEL * size) / 100;
}
