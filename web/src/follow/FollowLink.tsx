import type { Destination } from '@vennet/core/destination';
import { Dialog } from 'radix-ui';
import { ExternalLink } from 'lucide-react';
import { useEffect, useState } from 'react';
import { enclosureFile } from '@vennet/client';
import { useEditor } from '../editor/state/store.js';
import { useBook } from '../book/store.js';
import { useWorldPort, visitAddress } from './facts.js';
import { useNotices } from '../parts/notices.js';
import { backToText } from '../editor/going/back-to-text.js';
import { goToBook, goToPlace } from '../editor/going/visited.js';
import { mayVisit, rememberSite } from './known-sites.js';

/**
 * Before the author leaves: the full address, or the email that would be started. A place in the book, a file and
 * another book are gone to at once, and a site that need not be asked for again.
 */
export function FollowLink() {
  const link = useEditor((store) => store.following);
  const worldPort = useWorldPort();
  const { destination } = link ?? {};
  const direct = destination && isDirect(destination);
  useEffect(() => {
    if (!destination || !direct) return;
    useEditor.setState({ following: null });
    followAtOnce(destination, worldPort);
  }, [destination, direct, worldPort]);
  if (!link || !destination || direct) return null;
  return (
    <Dialog.Root open onOpenChange={stay}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" onCloseAutoFocus={backToText}>
          {destination.kind === 'mail' ? (
            <Message mail={destination} href={link.href} />
          ) : (
            destination.kind === 'web' && <Leaving href={destination.href} worldPort={worldPort} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const stay = () => useEditor.setState({ following: null });

const isDirect = (destination: Destination): boolean =>
  destination.kind === 'web' ? mayVisit(destination.href) : destination.kind !== 'mail';

export function followAtOnce(destination: Destination, worldPort: number | null): void {
  const { surroundings } = useBook.getState();
  const gone = (words: string) => useNotices.getState().tell(words, { tone: 'fault' });
  switch (destination.kind) {
    case 'web':
      window.open(visitAddress(destination.href, worldPort), '_blank', 'noopener,noreferrer');
      return;
    case 'file':
      if (surroundings.files.has(destination.enclosure))
        window.open(enclosureFile(destination.enclosure), '_blank', 'noopener');
      else gone('The file that this link led to is not on the Shelf.');
      return;
    case 'book':
      if (surroundings.books.has(destination.book)) goToBook(destination.book, destination.place);
      else gone('The book that this link led to is not in the Library.');
      return;
    case 'place':
      if (!goToPlace(destination.place)) gone('The place that this link led to is not in the book.');
      return;
    case 'mail':
    // What an email would say is read first.
  }
}

function Leaving({ href, worldPort }: { href: string; worldPort: number | null }) {
  const [known, setKnown] = useState(false);
  const address = visitAddress(href, worldPort);
  const { host } = new URL(href);
  const leave = () => {
    if (known) rememberSite(href);
    stay();
  };
  return (
    <>
      <Dialog.Title className="mb-3 text-xl font-semibold">This leads out of your book</Dialog.Title>
      <p
        className="rounded border border-line bg-raised px-3 py-2 font-semibold break-all"
        data-testid="follow-address"
      >
        {href}
      </p>
      <Dialog.Description className="mt-3 text-soft">
        {host === ''
          ? 'It is handed to the program that this device has for it; your book stays here.'
          : address === href
            ? 'It opens in a new window; your book stays here.'
            : 'This site is made up, so it is answered by the stand-in world on this computer. It opens in a new window; your book stays here.'}
      </Dialog.Description>
      {host !== '' && (
        <label className="mt-3 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-amber"
            checked={known}
            onChange={(event) => setKnown(event.target.checked)}
          />
          Don’t ask again for {host}
        </label>
      )}
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Stay here
        </Dialog.Close>
        <a
          className="button"
          data-look="main"
          href={address}
          target="_blank"
          rel="noopener noreferrer"
          onClick={leave}
        >
          <ExternalLink size={16} aria-hidden="true" /> Go there
        </a>
      </div>
    </>
  );
}

/** The message that a reader's mail program would start. */
function Message({ mail, href }: { mail: Extract<Destination, { kind: 'mail' }>; href: string }) {
  const lines: [string, string][] = [
    ['To', mail.to.join(', ')],
    ['Cc', mail.cc.join(', ')],
    ['Bcc', mail.bcc.join(', ')],
    ['Subject', mail.subject],
  ];
  return (
    <>
      <Dialog.Title className="mb-3 text-xl font-semibold">This starts an email</Dialog.Title>
      <div className="rounded border border-line bg-raised px-3 py-2">
        <dl data-testid="message">
          {lines
            .filter(([, words]) => words !== '')
            .map(([name, words]) => (
              <div key={name} className="flex gap-3">
                <dt className="w-16 shrink-0 text-soft">{name}</dt>
                <dd className="min-w-0 break-words">{words}</dd>
              </div>
            ))}
        </dl>
        {mail.body && <p className="mt-2 border-t border-line pt-2 whitespace-pre-wrap">{mail.body}</p>}
      </div>
      <p className="mt-2 text-sm break-all text-soft" data-testid="follow-address">
        {href}
      </p>
      <Dialog.Description className="mt-3 text-soft">
        Your mail program opens with this; nothing is sent by itself.
      </Dialog.Description>
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Stay here
        </Dialog.Close>
        <a className="button" data-look="main" href={href} onClick={stay}>
          <ExternalLink size={16} aria-hidden="true" /> Start the email
        </a>
      </div>
    </>
  );
}
