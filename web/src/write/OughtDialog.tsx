import { recognise } from '@vennet/core/destination';
import {
  makeLinks,
  OUGHT_KINDS,
  type LinkToMake,
  type OughtKind,
  type OughtToBeLink,
} from '@vennet/core/ground';
import { message } from '@vennet/core/language';
import { pageName, pagesOf } from '@vennet/core/manuscript';
import { useQuery } from '@tanstack/react-query';
import { ListChecks, X } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client.js';
import { destinationWords } from '../book/destination-words.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { underline } from '../editor/changes/change-figures.js';
import { mint } from '../editor/state/mint.js';
import { useEditor } from '../editor/state/store.js';
import { DialogFoot } from '../parts/DialogFoot.js';
import { useNotices } from '../parts/notices.js';
import { Tick } from '../parts/Tick.js';
import { useTurned } from '../parts/use-turned.js';

const KINDS: Record<OughtKind, string> = {
  address: 'Addresses that are printed',
  book: 'Numbers of books',
  overlaid: 'Unseen words over pictures',
  contents: 'Lines of the contents',
  page: 'References to pages',
  section: 'References to chapters and sections',
  figure: 'References to figures',
  table: 'References to tables',
  note: 'Marks of notes',
  back: 'Ways back from notes',
  way: 'Ways through the book',
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
            What says on the pages where one can go, and leads nowhere. Untick what should stay as it is.
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
  const [given, give] = useState<Readonly<Record<string, Given>>>({});
  const givenOf = ({ key }: OughtToBeLink): Given => given[key] ?? NOTHING;
  const links = taken.flatMap((one) => linkOf(one, givenOf(one)) ?? []);
  const lacking = taken.length - links.length;
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
                      {isTaken(one) && (
                        <Asked
                          one={one}
                          given={givenOf(one)}
                          give={(more) => give({ ...given, [one.key]: { ...givenOf(one), ...more } })}
                        />
                      )}
                    </li>
                  ))}
                </ul>
              </section>
            )
          );
        })}
      </div>
      {lacking > 0 && (
        <p className="mt-2 text-sm text-soft">
          {message(
            '{lacking, plural, one {One that is ticked still needs a name, or to be told where it leads.} other {# that are ticked still need a name, or to be told where they lead.}}',
            { lacking },
          )}
        </p>
      )}
      <DialogFoot
        off={links.length === 0 || lacking > 0}
        act={() => {
          linkAll(links);
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

function OughtLine({ one }: { one: OughtToBeLink }) {
  const { page, also, words, destination, spot, sureness, why } = one;
  const names = useBook.getState();
  const { state } = useEditor.getState();
  const called = (number: number) => {
    const sheet = state && pagesOf(state.doc)[number - 1];
    return sheet ? pageName(sheet.attrs) : String(number);
  };
  const leads = spot
    ? `${spot.name} on page ${called(spot.page)}`
    : destination
      ? destinationWords(destination, names)
      : null;
  return (
    <span className="min-w-0 break-words">
      {words === '' ? 'A picture' : `“${words}”`}{' '}
      <span className="text-soft">
        on page {called(page)}
        {also.length > 0 &&
          message(' and {count, plural, one {one more} other {# more}}', { count: also.length })}
        {leads !== null && ', to'}
      </span>{' '}
      {leads}
      <span className="block text-xs text-soft">
        {SURE[sureness]}. {why}
      </span>
    </span>
  );
}

/** What only the author knows of something: what a picture is called, and where words lead that say it not. */
interface Given {
  name: string;
  address: string;
}

const NOTHING: Given = { name: '', address: '' };

const isUnknown = ({ destination, spot }: OughtToBeLink): boolean => !destination && !spot;

function Asked({ one, given, give }: { one: OughtToBeLink; given: Given; give(more: Partial<Given>): void }) {
  const read = given.address.trim() === '' ? null : recognise(given.address);
  if (!one.isPicture && !isUnknown(one)) return null;
  return (
    <div className="mt-1 grid grid-cols-2 gap-3 pl-[21px]">
      {one.isPicture && (
        <label className="block text-xs text-soft">
          Its name, for those who do not see it
          <input
            className="field mt-0.5"
            value={given.name}
            onChange={({ target }) => give({ name: target.value })}
          />
        </label>
      )}
      {isUnknown(one) && (
        <label className="block text-xs text-soft">
          The address it leads to
          <input
            className="field mt-0.5"
            value={given.address}
            onChange={({ target }) => give({ address: target.value })}
          />
          {read && !read.ok && <span className="mt-0.5 block text-ink">{read.reason}</span>}
        </label>
      )}
    </div>
  );
}

/** The link as it is to be; `null` while something of it is not known. */
function linkOf(one: OughtToBeLink, { name, address }: Given): LinkToMake | null {
  if (one.isPicture && name.trim() === '') return null;
  const read = isUnknown(one) ? recognise(address) : null;
  if (read && !read.ok) return null;
  return { ...one, name: name.trim(), destination: read?.destination ?? one.destination };
}

/** Makes all these links as one thing that is undone at once. */
function linkAll(links: readonly LinkToMake[]): void {
  const { view } = useEditor.getState();
  if (!view) return;
  const transaction = closeHistory(view.state.tr);
  makeLinks(transaction, links, underline(), mint);
  view.dispatch(transaction);
  const count = links.reduce((sum, { also }) => sum + 1 + also.length, 0);
  useNotices.getState().tell(
    message('{count, plural, one {One link was made.} other {# links were made.}} Undo takes them back.', {
      count,
    }),
  );
}
