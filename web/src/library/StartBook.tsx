import { Dialog } from 'radix-ui';
import { BookPlus } from 'lucide-react';
import type { NewBook } from '@vennet/core/wire';
import { useState, type SubmitEvent } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client.js';
import { tellFault } from '../parts/notices.js';
import { useOnce } from '../parts/use-once.js';

/** A new, empty book. */
export function StartBook() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const start = useOnce(async (book: NewBook) => {
    try {
      const { id } = await api.startBook(book);
      // The caret waits in the first line.
      await navigate(`/books/${id}/write?at=0`);
    } catch (error) {
      tellFault(error);
    }
  });
  const submit = (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    start.run({ title: String(form.get('title')), author: String(form.get('author')) });
  };
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="button">
        <BookPlus size={17} aria-hidden="true" /> Start a book
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" aria-describedby={undefined}>
          <Dialog.Title className="mb-4 text-xl font-semibold">Start a book</Dialog.Title>
          <form onSubmit={submit} className="space-y-4">
            <label className="block">
              <span className="label">Title</span>
              <input name="title" className="field" required maxLength={300} autoComplete="off" />
            </label>
            <label className="block">
              <span className="label">Author</span>
              <input name="author" className="field" maxLength={300} autoComplete="off" />
            </label>
            <div className="flex justify-end gap-2">
              <Dialog.Close className="button" data-look="quiet">
                Not now
              </Dialog.Close>
              <button type="submit" className="button" data-look="main">
                Start
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
