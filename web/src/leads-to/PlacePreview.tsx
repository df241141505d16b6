import { useMemo } from 'react';
import { useBook } from '../book/store.js';
import { previewOf } from './place-preview.js';

/** How the text reads at a place, so that the author sees where it is before leading there. */
export function PlacePreview({ place }: { place: string }) {
  const found = useBook((store) => store.places.get(place));
  const text = useMemo(() => (found ? previewOf(found) : ''), [found]);
  if (text === '') return null;
  return (
    <span
      className="mt-0.5 line-clamp-3 block font-text text-[0.82rem] text-soft italic"
      data-testid="place-preview"
    >
      {text}
    </span>
  );
}
