import type { Destination } from '@vennet/core/destination';
import { usePageTitle } from './use-page-title.js';

/** Offers the page's own title where an address stands for words, or no words at all. It is never put there unasked. */
export function TitleOffer({
  destination,
  text,
  take,
}: {
  destination: Destination | null;
  text: string;
  take(words: string): void;
}) {
  const title = usePageTitle(destination, text);
  if (title.at === 'idle') return null;
  return (
    <div className="mt-1.5 text-sm" data-testid="page-title" aria-live="polite">
      {title.at === 'asking' && <p className="text-soft">Looking for the page’s title…</p>}
      {title.at === 'none' && <p className="text-soft">{title.why}</p>}
      {title.at === 'found' && (
        <button
          type="button"
          className="button !h-auto !justify-start text-left"
          data-size="small"
          onClick={() => take(title.words)}
        >
          Put “{title.words}”, the page’s title
        </button>
      )}
    </div>
  );
}
