import { fileWords, type OpensFor, type Travels } from '@vennet/core/shelf';
import { useBook } from '../store/book.js';
import { OPENS_FOR_WORDS, TRAVELS_WORDS } from '../shelf/words.js';
import { changeShelfFile } from '../shelf/change-file.js';

/** What is said of a file in the slip: what it is, who can open it, how it travels. It holds for all links to the file. */
export function FileFields({ id }: { id: string }) {
  const file = useBook((store) => store.surroundings.files.get(id));
  if (!file) return null;
  return (
    <fieldset className="mt-2 space-y-1.5 border-l-2 border-line pl-3">
      <legend className="sr-only">The file</legend>
      <p className="text-sm">{fileWords(file)}</p>
      {file.claims && (
        <p className="text-sm" style={{ color: 'var(--broken)' }}>
          Its name says {file.claims}, which it is not.
        </p>
      )}
      <label className="block">
        <span className="label">Who can open it</span>
        <select
          className="field"
          value={file.opensFor}
          onChange={(event) => void changeShelfFile(id, { opensFor: event.target.value as OpensFor })}
        >
          {Object.entries(OPENS_FOR_WORDS).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="block">
        <span className="label">How it travels</span>
        <select
          className="field"
          value={file.travels}
          onChange={(event) => void changeShelfFile(id, { travels: event.target.value as Travels })}
        >
          {Object.entries(TRAVELS_WORDS).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
    </fieldset>
  );
}
