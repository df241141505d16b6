import { useMemo } from 'react';
import { useBook } from '../book/store.js';
import { previewOf } from './place-preview.js';

/** How the text reads at a place, so that the author sees where it is before leading there. */
export function PlacePreview({ place }: { place: string }) {
  const found = useBook((store) => store.places.get(place));
  const text = useMemo(() => (found ? previewOf(found) : ''), [found]);
  return text === '' ? null : <Preview text={text} />;
}

/** A piece of the book's own text. */
export const Preview = ({ text }: { text: string }) => (
  <span
    className="mt-0.5 line-clamp-3 block font-text text-[0.82rem] text-soft italic"
    data-testid="place-preview"
  >
    {text}
  </span>
);
