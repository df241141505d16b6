import { Dialog } from 'radix-ui';
import { BookPlus } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client.js';
import { tellFault } from '../parts/notices.js';

/** A new, empty book. */
export function StartBook() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const start = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    try {
      const { id } = await api.startBook(String(form.get('title')), String(form.get('author')));
      await navigate(`/books/${id}/write`);
    } catch (error) {
      tellFault(error);
    }
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
          <form onSubmit={(event) => void start(event)} className="space-y-4">
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
