import type { VersionedChapter } from '@vennet/core/wire';
import { Dialog } from 'radix-ui';
import { useMemo, useState, type ReactNode } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { backToText } from '../editor/going/back-to-text.js';
import { LinkList } from '../leads-to/UseList.js';
import { useOnce } from '../parts/use-once.js';
import { askAbout, useChapterAsk } from './chapter-asks.js';

/** What is asked about a chapter: its new title, or whether it is to go. */
export function ChapterDialogs() {
  const { ask } = useChapterAsk();
  if (!ask) return null;
  return (
    <Dialog.Root open onOpenChange={() => askAbout(null)}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" onCloseAutoFocus={backToText} aria-describedby={undefined}>
          {'rename' in ask ? <Rename chapter={ask.rename} /> : <Remove chapter={ask.remove} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const Title = ({ children }: { children: ReactNode }) => (
  <Dialog.Title className="text-xl font-semibold">{children}</Dialog.Title>
);

function Rename({ chapter }: { chapter: VersionedChapter }) {
  const [title, setTitle] = useState(chapter.title);
  const rename = useOnce(async () => {
    if (await openBook().bulk.renameChapter(chapter, title.trim())) askAbout(null);
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (title.trim() !== '') rename.run();
      }}
    >
      <Title>Rename the chapter</Title>
      <label className="mt-4 block">
        <span className="label">Title</span>
        <input
          className="field"
          value={title}
          maxLength={300}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet" type="button">
          Keep its title
        </Dialog.Close>
        <button className="button" data-look="main" disabled={title.trim() === '' || rename.isUnderWay}>
          Rename
        </button>
      </div>
    </form>
  );
}

function Remove({ chapter }: { chapter: VersionedChapter }) {
  const links = useBook((store) => store.links);
  const places = useBook((store) => store.places);
  const uses = useMemo(
    () =>
      links.filter(
        ({ destination: to, chapter: from }) =>
          to.kind === 'place' && from !== chapter.id && places.get(to.place)?.chapter === chapter.id,
      ),
    [links, places, chapter.id],
  );
  const remove = useOnce(async () => {
    if (await openBook().bulk.removeChapter(chapter)) askAbout(null);
  });
  return (
    <>
      <Title>Remove “{chapter.title}”?</Title>
      <p className="mt-1 text-soft">
        {uses.length === 0
          ? 'No link of another chapter leads into it. Its text is kept, and can be put back by undo.'
          : 'These links will lead nowhere until it is put back. Its text is kept, and can be put back by undo.'}
      </p>
      {uses.length > 0 && <LinkList links={uses} />}
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Keep the chapter
        </Dialog.Close>
        <button
          type="button"
          className="button"
          data-look="main"
          disabled={remove.isUnderWay}
          onClick={() => remove.run()}
        >
          Remove it
        </button>
      </div>
    </>
  );
}
