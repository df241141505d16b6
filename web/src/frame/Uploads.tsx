import { X } from 'lucide-react';
import { useUploads } from '../book/open-book.js';

/** Files on their way, with progress and a way to stop each. */
export function Uploads() {
  const jobs = useUploads();
  if (jobs.length === 0) return null;
  return (
    <ul aria-label="Files on their way" className="flex flex-wrap gap-2">
      {jobs.map(({ id, name, share, stop }) => (
        <li
          key={id}
          className="flex items-center gap-2 rounded border border-line bg-raised py-0.5 pr-1 pl-2.5 text-sm"
        >
          <span className="max-w-48 truncate">{name}</span>
          <span className="w-16 text-soft tabular-nums">
            {share === null ? 'reading' : `${Math.round(share * 100)} %`}
          </span>
          <progress className="h-1.5 w-20" value={share ?? undefined} aria-label={`${name} on its way`} />
          <button
            type="button"
            className="button !min-h-6 !px-1"
            data-look="quiet"
            data-size="small"
            onClick={stop}
            aria-label={`Stop sending ${name}`}
          >
            <X size={14} aria-hidden="true" />
          </button>
        </li>
      ))}
    </ul>
  );
}
