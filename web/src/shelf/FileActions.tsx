import { type ShelfFile } from '@vennet/core/shelf';
import { fileWords, message } from '@vennet/core/language';
import { AlertDialog } from 'radix-ui';
import { Download, FileUp, Link2, Trash2, Undo2 } from 'lucide-react';
import { useRef } from 'react';
import { enclosureFile } from '@vennet/client';
import { api } from '../api/client.js';
import { goTo } from '../editor/going/visited.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { useOnce } from '../parts/use-once.js';
import { openBook } from '../book/open-book.js';
import type { FileUse } from './uses.js';

/** What can be done with a file: get it, put a new version in its place, take it off the Shelf. */
export function FileActions({ file, uses }: { file: ShelfFile; uses: FileUse[] }) {
  const chooser = useRef<HTMLInputElement>(null);
  const replace = async (chosen: File | undefined) => {
    if (!chosen) return;
    const taken = await openBook().uploads.replace(file.id, chosen);
    if (!taken) return;
    const follow =
      uses.length === 0
        ? ''
        : message(' {count, plural, one {Its use follows} other {All # uses follow}}.', {
            count: uses.length,
          });
    useNotices
      .getState()
      .tell(`“${taken.file.name}” is a new version now, ${fileWords(taken.file)}.${follow}`, {
        action: { label: 'Go back to the old one', run: () => void openBook().files.goBack(file.id) },
      });
  };
  return (
    <div className="flex flex-wrap gap-1.5">
      <a className="button" data-size="small" href={enclosureFile(file.id)} download={file.name}>
        <Download size={15} aria-hidden="true" /> Download
      </a>
      <button type="button" className="button" data-size="small" onClick={() => chooser.current?.click()}>
        <FileUp size={15} aria-hidden="true" /> Put a new version in its place
      </button>
      <input
        ref={chooser}
        type="file"
        hidden
        aria-label={`New version of ${file.name}`}
        onChange={(event) => {
          void replace(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {file.type === 'application/pdf' && <LinkItsPages file={file} />}
      {file.earlier ? (
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          onClick={() => void openBook().files.goBack(file.id)}
        >
          <Undo2 size={15} aria-hidden="true" /> Go back to the version before
        </button>
      ) : null}
      <RemoveFile file={file} uses={uses} />
    </div>
  );
}

/** Makes a book of the pages of a PDF that is on the Shelf. */
function LinkItsPages({ file }: { file: ShelfFile }) {
  const making = useOnce(async () => {
    try {
      const bytes = await (await fetch(enclosureFile(file.id))).blob();
      const { id } = await api.bringIn(bytes, file.name);
      goTo(`/books/${id}/write`);
    } catch (error) {
      tellFault(error);
    }
  });
  return (
    <button
      type="button"
      className="button"
      data-size="small"
      disabled={making.isUnderWay}
      onClick={() => making.run()}
    >
      <Link2 size={15} aria-hidden="true" /> {making.isUnderWay ? 'Reading its pages' : 'Link its pages'}
    </button>
  );
}

/** Before a file goes, the author reads what will break. */
function RemoveFile({ file, uses }: { file: ShelfFile; uses: FileUse[] }) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger className="button" data-look="quiet" data-size="small">
        <Trash2 size={15} aria-hidden="true" /> Remove
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="veil" />
        <AlertDialog.Content className="dialog">
          <AlertDialog.Title className="text-xl font-semibold">
            Take “{file.name}” off the Shelf?
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            {uses.length === 0
              ? 'Nothing leads to it, so nothing breaks.'
              : message(
                  '{count, plural, one {One use breaks} other {# uses break}} until it is put back or they lead elsewhere:',
                  { count: uses.length },
                )}
          </AlertDialog.Description>
          <ul className="mt-2 max-h-60 space-y-1 overflow-y-auto">
            {uses.map(({ key, before, text, after }) => (
              <li key={key} className="border-l-2 border-line pl-3 font-text">
                {before}
                <mark className="rounded-sm bg-wash px-0.5 text-ink">{text}</mark>
                {after}
              </li>
            ))}
          </ul>
          <div className="mt-5 flex justify-end gap-2">
            <AlertDialog.Cancel className="button" data-look="quiet">
              Keep it
            </AlertDialog.Cancel>
            <AlertDialog.Action
              className="button"
              data-look="main"
              onClick={() => void openBook().files.remove(file)}
            >
              Take it off the Shelf
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
