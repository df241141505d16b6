import type { DivisionLine } from '@vennet/core/edits';
import { useQuery } from '@tanstack/react-query';
import { SquareSplitVertical } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { backToText } from '../editor/going/back-to-text.js';
import { useOnce } from '../parts/use-once.js';
import { beginsOf, Division, isDividedAlike } from './Division.js';

/** Divides the open book into other chapters. */
export function DivideBook({ book }: { book: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger className="button" data-look="quiet" data-size="small">
        <SquareSplitVertical size={15} aria-hidden="true" /> Divide anew
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog"
          data-size="wide"
          onCloseAutoFocus={backToText}
          aria-describedby={undefined}
        >
          <Dialog.Title className="text-xl font-semibold">Divide the book into chapters</Dialog.Title>
          <p className="mt-1 mb-4 text-soft">
            Each line is a heading at which a chapter begins, or could begin. Everything that leads somewhere
            still does.
          </p>
          <Body book={book} close={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Body({ book, close }: { book: string; close(): void }) {
  const { data: asItWas, isFetching } = useQuery({
    queryKey: ['division', book],
    queryFn: async () => {
      // The headings are those of the text as the server has it.
      await openBook().texts.saveAll();
      return api.division(book);
    },
    gcTime: 0,
  });
  const [changed, setChanged] = useState<DivisionLine[] | null>(null);
  const lines = changed ?? asItWas;
  const divide = useOnce(async () => {
    if (lines && (await openBook().bulk.divide(beginsOf(lines)))) close();
  });
  if (!lines || !asItWas || isFetching) return <p role="status">Looking for the headings</p>;
  return (
    <>
      <Division lines={lines} asItWas={asItWas} change={setChanged} />
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Keep the chapters
        </Dialog.Close>
        <button
          type="button"
          className="button"
          data-look="main"
          disabled={isDividedAlike(lines, asItWas) || divide.isUnderWay}
          onClick={() => divide.run()}
        >
          Divide it so
        </button>
      </div>
    </>
  );
}
