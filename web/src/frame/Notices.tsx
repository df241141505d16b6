import { X } from 'lucide-react';
import { useNotices } from '../parts/notices.js';

/** Short messages at the foot of the window, and the live region that speaks them. */
export function Notices() {
  const { notices, announced, dismiss } = useNotices();
  return (
    <>
      <div className="sr-only" role="status" aria-live="polite">
        {announced}
      </div>
      <div
        className="fixed bottom-4 left-1/2 z-[60] flex w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2 flex-col gap-2"
        role="log"
        aria-label="Messages"
        aria-live="polite"
      >
        {notices.map(({ id, words, tone, action }) => (
          <div
            key={id}
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
        ))}
      </div>
    </>
  );
}
