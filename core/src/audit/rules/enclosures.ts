import { typeWords } from '../../language/index.js';
import type { ShelfFile } from '../../shelf/index.js';
import type { AuditContext, RepairOffer, Rule } from '../finding.js';
import type { Link } from '../../manuscript/index.js';

const REMOVE: RepairOffer = { label: 'Remove the link', repair: { type: 'unlink' } };

const fileOf = ({ destination }: Link, { files }: AuditContext): ShelfFile | undefined =>
  destination.kind === 'file' ? files.get(destination.enclosure) : undefined;

/** A link to a file that is not on the Shelf. */
export const fileGone: Rule = {
  id: 'file-gone',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find: (link, context) =>
    fileOf(link, context)
      ? null
      : { message: 'The file that this led to is not on the Shelf any more.', repairs: [REMOVE] },
};

/** A link to a file that readers can't open. */
export const fileLocked: Rule = {
  id: 'file-locked',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file || file.opensFor === 'everyone') return null;
    const who = file.opensFor === 'reviewers' ? 'Only reviewers' : 'Only you';
    return {
      message: `${who} can open “${file.name}”, so readers are stopped here. Say on the Shelf who can open it, or lead elsewhere.`,
      repairs: [REMOVE],
    };
  },
};

/** A file that is to be had at a public address which nobody has given. */
export const fileNowhere: Rule = {
  id: 'file-nowhere',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file || file.travels !== 'public' || file.address) return null;
    return {
      message: `“${file.name}” is to be had at a public address, but none is given. Say on the Shelf which one it is.`,
      repairs: [],
    };
  },
};

/** A file whose name says another type than its content. */
export const fileMisnamed: Rule = {
  id: 'file-misnamed',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file?.claims) return null;
    return {
      message: `“${file.name}” says that it is a ${file.claims}, but it is a ${typeWords(file.type, '')}. Readers’ programs may refuse it; give it its true ending on the Shelf.`,
      repairs: [],
    };
  },
};

/** A link to another book that is not in the Library, or to a place that it does not have. */
export const bookGone: Rule = {
  id: 'book-gone',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'book',
  find({ destination }, { books }) {
    if (destination.kind !== 'book') return null;
    const book = books.get(destination.book);
    if (!book)
      return { message: 'The book that this led to is not in the Library any more.', repairs: [REMOVE] };
    const { place } = destination;
    if (!place || !book.places || book.places.has(place)) return null;
    return {
      message: `“${book.title}” does not have the place that this led to.`,
      repairs: [
        {
          label: `Lead to the whole of “${book.title}”`,
          repair: { type: 'destination', destination: { kind: 'book', book: book.id } },
        },
      ],
    };
  },
};
