import { message } from '@vennet/core/language';
import { openBook } from '../../book/open-book.js';
import { useNotices } from '../../parts/notices.js';
import { askForStructure } from '../state/asked-structure.js';

/** Time until what was pasted is known to the audit, in ms. */
const KNOWN_AFTER = 400;

/** Numbers that may be marks of notes. */
const MARKS = /[¹²³⁴-⁹]|\b\d{1,4}\b/u;

/** After something was pasted: tells of notes that came as typed numbers, and offers to make real ones of them. */
export function tellOfTypedNotes(pasted: string): void {
  if (!MARKS.test(pasted)) return;
  setTimeout(() => void look(pasted), KNOWN_AFTER);
}

async function look(pasted: string): Promise<void> {
  const found = await openBook().audit.typedNotes();
  const sure = found.filter(({ isSure, text }) => isSure && pasted.includes(text));
  if (sure.length === 0) return;
  useNotices
    .getState()
    .tell(
      message(
        '{count, plural, one {One note came as a typed number} other {# notes came as typed numbers}}, with a list of remarks.',
        { count: sure.length },
      ),
      { action: { label: 'Make real notes of them', run: askForStructure } },
    );
}
