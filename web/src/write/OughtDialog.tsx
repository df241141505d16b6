import { OUGHT_KINDS, type OughtKind, type OughtToBeLink } from '@vennet/core/ground';
import { message } from '@vennet/core/language';
import { attrsOf, boxAround, DEFAULT_FRAME, pageName, pagesOf, setAreas } from '@vennet/core/manuscript';
import { useQuery } from '@tanstack/react-query';
import { ListChecks, X } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client.js';
import { destinationWords } from '../book/destination-words.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { mint } from '../editor/state/mint.js';
import { useEditor } from '../editor/state/store.js';
import { DialogFoot } from '../parts/DialogFoot.js';
import { useNotices } from '../parts/notices.js';
import { Tick } from '../parts/Tick.js';
import { useTurned } from '../parts/use-turned.js';

const KINDS: Record<OughtKind, string> = {
  address: 'Addresses that are printed',
  contents: 'Lines of the contents',
  page: 'References to pages',
  section: 'References to chapters and sections',
  figure: 'References to figures',
  table: 'References to tables',
};

const SURE = { sure: 'Sure', likely: 'Likely', look: 'Look at it' } as const;

/** Words of the pages that ought to be links, looked through and linked in one go. */
export function OughtDialog() {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="button" data-look="quiet" data-size="small">
        <ListChecks size={16} aria-hidden="true" /> What ought to be links
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog flex max-h-[86vh] !w-[min(46rem,calc(100vw-2rem))] flex-col">
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl font-semibold">What ought to be links</Dialog.Title>
            <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <Dialog.Description className="mt-0.5 text-soft">
            Words of the pages that say where one can go and lead nowhere. Untick what should stay as it is.
          </Dialog.Description>
          {open && <Ought close={() => setOpen(false)} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Ought({ close }: { close(): void }) {
  const book = useBook((store) => store.book?.id ?? '');
  const { data: found, error } = useQuery({
    queryKey: ['ground', book, 'ought'],
    // The pages as they are now, with what was linked just before.
    queryFn: () =>
      openBook()
        .texts.saveAll()
        .then(() => api.oughtToBeLinks(book)),
    staleTime: 0,
    gcTime: 0,
  });
  const [turned, turn] = useTurned();
  // Where it is not sure, the author looks first.
  const isTaken = ({ key, sureness }: OughtToBeLink) => (sureness !== 'look') !== turned.has(key);
  const taken = found?.filter(isTaken) ?? [];
  return (
    <>
      <div className="mt-3 min-h-0 grow overflow-y-auto border-y border-line">
        <p role="status" className={found && found.length > 0 ? 'sr-only' : 'py-3'}>
          {error
            ? error.message
            : !found
              ? 'Reading the pages …'
              : found.length === 0
                ? 'Nothing was found: every address and reference that can be read leads somewhere already.'
                : `${taken.length} are ticked`}
        </p>
        {OUGHT_KINDS.map((kind) => {
          const all = found?.filter((one) => one.kind === kind) ?? [];
          return (
            all.length > 0 && (
              <section key={kind} aria-labelledby={`ought-${kind}`} className="py-3">
                <h3 id={`ought-${kind}`} className="font-semibold">
                  {KINDS[kind]} <span className="font-normal text-soft">{all.length}</span>
                </h3>
                <ul className="mt-1">
                  {all.map((one) => (
                    <li key={one.key} className="py-1">
                      <Tick on={isTaken(one)} turn={() => turn(one.key)}>
                        <OughtLine one={one} />
                      </Tick>
                    </li>
                  ))}
                </ul>
              </section>
            )
          );
        })}
      </div>
      <DialogFoot
        off={taken.length === 0}
        act={() => {
          linkAll(taken);
          close();
        }}
      >
        {message('{count, plural, =0 {Link them} one {Link one} other {Link all #}}', {
          count: taken.length,
        })}
      </DialogFoot>
    </>
  );
}

function OughtLine({ one: { page, words, destination, sureness, why } }: { one: OughtToBeLink }) {
  const names = useBook.getState();
  const { state } = useEditor.getState();
  const sheet = state && pagesOf(state.doc)[page - 1];
  return (
    <span className="min-w-0">
      “{words}”{' '}
      <span className="text-soft">on page {sheet ? pageName(attrsOf.page(sheet.node)) : page}, to</span>{' '}
      {destinationWords(destination, names)}
      <span className="block text-xs text-soft">
        {SURE[sureness]}. {why}
      </span>
    </span>
  );
}

/** Makes all these links as one thing that is undone at once. */
function linkAll(taken: readonly OughtToBeLink[]): void {
  const { view } = useEditor.getState();
  if (!view) return;
  const colour = useBook.getState().book?.look.light ?? DEFAULT_FRAME.colour;
  const transaction = closeHistory(view.state.tr);
  for (const { node, at } of pagesOf(view.state.doc)) {
    const { number, areas } = attrsOf.page(node);
    const here = taken.filter(({ page }) => page === number);
    if (here.length === 0) continue;
    const made = here.map(({ lines, words, destination }) => ({
      id: mint(),
      ...boxAround(lines),
      lines,
      words,
      name: '',
      hoverNote: '',
      frame: { line: 'under' as const, width: 1, colour },
      destination,
    }));
    setAreas(transaction, at, [...areas, ...made]);
  }
  view.dispatch(transaction);
  useNotices.getState().tell(
    message('{count, plural, one {One link was made.} other {# links were made.}} Undo takes them back.', {
      count: taken.length,
    }),
  );
}
