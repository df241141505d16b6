import type { Finding } from '@vennet/core/audit';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { when } from '../parts/when.js';

/** What is set aside of a link or a destination: by whom, when and why; it can show again. */
export function AsideLine({ rule, of, finding }: { rule: string; of: string; finding?: Finding }) {
  const entry = useBook((store) => store.choices.aside.find((one) => one.rule === rule && one.of === of));
  if (!entry) return null;
  const { id, reason, until, at } = entry;
  return (
    <div className="mt-2 border-l-2 border-strong-line pl-2 text-sm text-soft">
      {finding && <p className="line-through">{finding.message}</p>}
      <p>
        Set aside <time dateTime={at}>{when(at, 'moment')}</time>
        {until && ` until ${when(until, 'day')}`}: <span className="text-ink">“{reason}”</span>
      </p>
      <button
        type="button"
        className="button mt-1"
        data-size="small"
        onClick={() => void openBook().survey.showAgain([id])}
      >
        Show it again
      </button>
    </div>
  );
}
