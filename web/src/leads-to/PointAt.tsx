import { MousePointerClick } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { useBook } from '../book/store.js';
import { stopPointing, usePointing, type PointedAt } from '../editor/state/pointing.js';
import { entryOf, entryOfPage, entryOfSpot, type DestinationEntry } from './destination-entry.js';

/**
 * The button by which the author points at the spot that a link leads to. `elsewhere` takes what is pointed at in another
 * chapter, when the slip is not there any more.
 */
export function PointAt({
  change,
  elsewhere,
}: {
  change(entry: DestinationEntry): void;
  elsewhere?: (entry: DestinationEntry) => void;
}) {
  const mine = useRef<((at: PointedAt) => void) | null>(null);
  const isOn = usePointing(({ take }) => take !== null && take === mine.current);
  const uses = useRef({ change, elsewhere });
  useLayoutEffect(() => void (uses.current = { change, elsewhere }));
  useEffect(
    () => () => {
      if (!mine.current || usePointing.getState().take !== mine.current) return;
      const { elsewhere: instead } = uses.current;
      usePointing.setState({ take: instead ? (at) => instead(entryAt(at)) : null });
    },
    [],
  );
  useEffect(() => {
    if (!isOn) return;
    const stop = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      // The slip stays.
      event.preventDefault();
      event.stopPropagation();
      stopPointing();
    };
    window.addEventListener('keydown', stop, { capture: true });
    return () => window.removeEventListener('keydown', stop, { capture: true });
  }, [isOn]);
  const press = () => {
    if (isOn) return stopPointing();
    mine.current = (at) => uses.current.change(entryAt(at));
    usePointing.setState({ take: mine.current });
  };
  return (
    <button
      type="button"
      className="button shrink-0 !px-2"
      aria-pressed={isOn}
      title="Point at it in the text"
      onClick={press}
    >
      <MousePointerClick size={16} aria-hidden="true" />
      <span className="sr-only">Point at it in the text</span>
    </button>
  );
}

/** Tells what to press, while the author points. */
export function PointingHint() {
  const isOn = usePointing(({ take }) => take !== null);
  return (
    <p role="status" className={isOn ? 'mt-1 text-sm' : 'sr-only'}>
      {isOn &&
        'Press the heading, the word or the picture that this should lead to, here or in another chapter. Esc ends it.'}
    </p>
  );
}

const entryAt = (at: PointedAt): DestinationEntry =>
  'onPage' in at
    ? entryOfPage(at.onPage)
    : 'spot' in at
      ? entryOfSpot(at.spot)
      : entryOf({ kind: 'place', place: at.place }, useBook.getState());
