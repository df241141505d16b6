import type { Place } from '@vennet/core/manuscript';
import { Dialog } from 'radix-ui';
import { ExternalLink } from 'lucide-react';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { useEditor } from '../editor/store.js';
import { useBook } from '../store/book.js';
import { useFacts, visitAddress } from '../store/facts.js';
import { useNotices } from '../store/notices.js';

/** Before the author leaves: the full address, and the way there. A place in the book is gone to at once. */
export function FollowLink() {
  const link = useEditor((store) => store.following);
  const { worldPort } = useFacts();
  const navigate = useNavigate();
  const stay = () => {
    useEditor.setState({ following: null });
    useEditor.getState().view?.focus();
  };
  const { destination } = link ?? {};
  useEffect(() => {
    if (destination?.kind !== 'place') return;
    useEditor.setState({ following: null });
    const { places, book } = useBook.getState();
    const place: Place | undefined = places.get(destination.place);
    if (place && book)
      void navigate(`/books/${book.id}/write/${place.chapter}?place=${encodeURIComponent(place.id)}`);
    else useNotices.getState().tell('The place that this link led to is not in the book.', { tone: 'fault' });
  }, [destination, navigate]);
  if (!link || !destination || destination.kind === 'place') return null;
  const address = destination.kind === 'web' ? visitAddress(destination.href, worldPort) : link.href;
  return (
    <Dialog.Root open onOpenChange={stay}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog">
          <Dialog.Title className="mb-3 text-xl font-semibold">
            {destination.kind === 'mail' ? 'This starts an email' : 'This leads out of your book'}
          </Dialog.Title>
          <p
            className="rounded border border-line bg-raised px-3 py-2 font-semibold break-all"
            data-testid="follow-address"
          >
            {link.href}
          </p>
          <Dialog.Description className="mt-3 text-soft">
            {address === link.href
              ? 'It opens in a new window; your book stays here.'
              : 'This site is made up, so it is answered by the stand-in world on this computer. It opens in a new window; your book stays here.'}
          </Dialog.Description>
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
              onClick={stay}
            >
              <ExternalLink size={16} aria-hidden="true" /> Go there
            </a>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
