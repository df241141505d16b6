import { DEFAULT_LOOK } from '@vennet/core/manuscript';
import { Palette } from 'lucide-react';
import { Named } from '../parts/Named.js';
import { Dialog } from 'radix-ui';
import { useBookChoice } from './book-choice.js';
import { LookFields, VisitedFields } from './LookFields.js';

/** The look of all links of the book, chosen in one place. It goes into every form that is published. */
export function LookDialog() {
  const {
    open,
    show,
    chosen: look,
    choose,
    accept,
  } = useBookChoice('look', DEFAULT_LOOK, 'The book’s links have their new look.');
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Named words="Link look">
        <Dialog.Trigger className="button" data-look="quiet" data-size="small">
          <Palette size={16} aria-hidden="true" />
          <span className="sr-only">Look</span>
        </Dialog.Trigger>
      </Named>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(40rem,calc(100vw-2rem))]">
          <Dialog.Title className="text-xl font-semibold">The look of the book’s links</Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">
            It goes into every form that you publish. Single links can depart from it, in their slips.
          </Dialog.Description>
          <LookFields look={look} change={choose} />
          <VisitedFields look={look} change={choose} />
          <div className="mt-5 flex justify-between gap-2">
            <button type="button" className="button" data-look="quiet" onClick={() => choose(DEFAULT_LOOK)}>
              As it came
            </button>
            <span className="flex gap-2">
              <Dialog.Close className="button" data-look="quiet">
                Not now
              </Dialog.Close>
              <button type="button" className="button" data-look="main" onClick={accept}>
                Use this look
              </button>
            </span>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
