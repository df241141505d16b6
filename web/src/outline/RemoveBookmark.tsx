import type { Destination } from '@vennet/core/destination';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useBook } from '../book/store.js';
import { backToText } from '../editor/going/back-to-text.js';
import { removeInUse, useBookmarks } from '../editor/changes/bookmarks.js';
import { PlaceField } from '../leads-to/PlaceField.js';
import { UseList } from '../leads-to/UseList.js';

/** Before a bookmark goes that is in use: which links lead there, and where they are to lead instead. */
export function RemoveBookmark() {
  const { removing, stay } = useBookmarks();
  if (!removing) return null;
  return (
    <Dialog.Root open onOpenChange={stay}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" onCloseAutoFocus={backToText}>
          <Choice id={removing} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Choice({ id }: { id: string }) {
  const words = useBook((store) => store.places.get(id)?.words ?? '');
  const [instead, setInstead] = useState<Destination | null>(null);
  return (
    <>
      <Dialog.Title className="text-xl font-semibold">“{words}” is in use</Dialog.Title>
      <Dialog.Description className="mt-1 text-soft">
        When it is removed, these links need another place to lead to, or they become plain words.
      </Dialog.Description>
      <UseList place={id} />
      <PlaceField label="Lead them to" except={id} picked={instead} pick={setInstead} />
      <div className="mt-5 flex flex-wrap justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Keep the bookmark
        </Dialog.Close>
        <button type="button" className="button" onClick={() => void removeInUse(id, null)}>
          Make them plain words
        </button>
        <button
          type="button"
          className="button"
          data-look="main"
          disabled={!instead}
          onClick={() => void removeInUse(id, instead)}
        >
          Lead them there
        </button>
      </div>
    </>
  );
}
