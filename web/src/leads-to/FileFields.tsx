import { fileWords } from '@vennet/core/language';
import { useBook } from '../book/store.js';
import { FileRights } from '../choices/FileRights.js';

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
      <FileRights file={file} />
    </fieldset>
  );
}
