import { message } from '@vennet/core/language';
import { X } from 'lucide-react';
import { useState } from 'react';
import { useNotices, type Notice } from '../parts/notices.js';

/** How many notices stand over the text at one time; the others wait in a list that is opened. */
const SHOWN = 2;

/** Short messages at the foot of the window, and the live region that speaks them. */
export function Notices() {
  const { notices, announced, dismissAll } = useNotices();
  const [areAllShown, showAll] = useState(false);
  const earlier = notices.length - SHOWN;
  const isListed = areAllShown && earlier > 0;
  const shown = isListed ? notices : notices.slice(-SHOWN);
  return (
    <>
      <div className="sr-only" role="status" aria-live="polite">
        {announced}
      </div>
      <div
        className="fixed bottom-4 left-1/2 z-[60] flex max-h-[70vh] w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2 flex-col gap-2 overflow-y-auto"
        role="log"
        aria-label="Messages"
        aria-live="polite"
      >
        {earlier > 0 && (
          <p className="flex justify-center gap-2">
            <button
              type="button"
              className="button"
              data-size="small"
              aria-expanded={isListed}
              onClick={() => showAll(!areAllShown)}
            >
              {isListed
                ? 'Show the last two'
                : message('{earlier, plural, one {One earlier message} other {# earlier messages}}', {
                    earlier,
                  })}
            </button>
            {isListed && (
              <button type="button" className="button" data-size="small" onClick={dismissAll}>
                Put all away
              </button>
            )}
          </p>
        )}
        {shown.map((notice) => (
          <Message key={notice.id} notice={notice} />
        ))}
      </div>
    </>
  );
}

function Message({ notice: { id, words, tone, action } }: { notice: Notice }) {
  const { dismiss } = useNotices();
  return (
    <div
      className="flex items-center gap-3 rounded-md border border-strong-line bg-raised px-4 py-2.5 shadow-lg"
      style={tone === 'fault' ? { borderLeft: '5px solid var(--broken)' } : undefined}
    >
      <p className="grow">{words}</p>
      {action && (
        <button
          type="button"
          className="button"
          data-size="small"
          onClick={() => {
            dismiss(id);
            action.run();
          }}
        >
          {action.label}
        </button>
      )}
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        onClick={() => dismiss(id)}
        aria-label="Put this message away"
      >
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  );
}
