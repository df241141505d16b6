import type { Destination } from '@vennet/core/destination';
import { fileWords } from '@vennet/core/language';
import type { ShelfFile } from '@vennet/core/shelf';
import { useBook } from '../book/store.js';
import { FileRights } from '../choices/FileRights.js';
import { Labelled } from '../parts/Labelled.js';

/** What is said of a file in the slip: what it is, who can open it, how it travels, which holds for all links to the file; and the spot in it. */
export function FileFields({
  destination,
  change,
}: {
  destination: Extract<Destination, { kind: 'file' }>;
  change(destination: Destination): void;
}) {
  const file = useBook((store) => store.surroundings.files.get(destination.enclosure));
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
      {(isPdf(file) || /html/.test(file.type)) && (
        <Spot key={destination.enclosure} file={file} destination={destination} change={change} />
      )}
      <FileRights file={file} />
    </fieldset>
  );
}

const isPdf = ({ type }: ShelfFile): boolean => type === 'application/pdf';

/** A page or a named spot, as it is written after the address of a PDF (RFC 8118, 3). */
function spotWords(fragment: string, file: ShelfFile): string {
  if (!isPdf(file)) return fragment;
  return fragment.replace(/^page=/, '').replace(/^nameddest=/, '');
}

function fragmentOf(words: string, file: ShelfFile): string {
  const said = words.trim().replace(/^#/, '');
  if (!isPdf(file) || said === '' || said.includes('=')) return said;
  return /^\d+$/.test(said) ? `page=${said}` : `nameddest=${said}`;
}

/** The spot of a file that a link leads to, and what becomes of it in each form. */
function Spot({
  file,
  destination,
  change,
}: {
  file: ShelfFile;
  destination: Extract<Destination, { kind: 'file' }>;
  change(destination: Destination): void;
}) {
  const { enclosure, fragment = '' } = destination;
  const put = (words: string) => {
    const next = fragmentOf(words, file);
    change({ kind: 'file', enclosure, ...(next ? { fragment: next } : {}) });
  };
  return (
    <>
      <Labelled label={isPdf(file) ? 'Page, or a named spot' : 'Spot on the page (its id)'}>
        {(id) => (
          <input
            id={id}
            className="field"
            defaultValue={spotWords(fragment, file)}
            placeholder={isPdf(file) ? '2, or the name of a spot' : 'from its beginning'}
            autoComplete="off"
            spellCheck={false}
            maxLength={200}
            onChange={(event) => put(event.target.value)}
          />
        )}
      </Labelled>
      {fragment !== '' && <p className="text-sm text-soft">{SPOT_IN[file.travels]}</p>}
    </>
  );
}

/** Where readers arrive, by how the file travels; which programs go to a page is common practice. */
const SPOT_IN: Record<ShelfFile['travels'], string> = {
  inside:
    'On the web page browsers go there. In an e-book few reading programs do: most open the file at its beginning. The PDF names the file in its list “With this book”.',
  beside:
    'On the web page browsers go there. From a PDF most readers open the file at its beginning. The e-book names the file in its list “With this book”.',
  public: 'In every form the link leads to the address with this spot; browsers go there.',
};
