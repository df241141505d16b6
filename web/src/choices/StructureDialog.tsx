import {
  DEFAULT_STRUCTURE,
  type Numbering,
  type NoteStand,
  type Readers,
  type ReturnTo,
  type Structure,
} from '@vennet/core/manuscript';
import { ListTree } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Named } from '../parts/Named.js';
import { Dialog } from 'radix-ui';
import { ownWords } from '../book/store.js';
import { useBookChoice } from './book-choice.js';
import { useAskedStructure } from '../editor/state/asked-structure.js';
import { HandMadeNavigation } from './HandMadeNavigation.js';
import { TypedNotes } from './TypedNotes.js';
import { HandMadeNotes } from './HandMadeNotes.js';
import { message } from '@vennet/core/language';
import { Choice } from '../parts/Choice.js';
import { Group } from '../parts/Group.js';
import { Labelled } from '../parts/Labelled.js';

const NUMBERINGS: [Numbering, string][] = [
  ['none', 'No numbers'],
  ['decimal', '1, 1.1, 1.1.1'],
  ['parts', 'Part I, then chapters counted through: 1, 1.1'],
];

const STANDS: [NoteStand, string][] = [
  ['page', 'At the foot of the page'],
  ['chapter', 'After each chapter'],
  ['book', 'After the text of the book'],
];

const RETURNS: [ReturnTo, string][] = [
  ['top', 'To the top'],
  ['contents', 'To the contents'],
  ['origin', 'To where readers came from'],
];

const READERS: [Readers, string][] = [
  ['everyone', 'Everyone'],
  ['reviewers', 'Reviewers'],
  ['author', 'Only me'],
];

/** What is chosen once for the whole book: numbers, notes, return links, and which headings are offered as places. */
export function StructureDialog() {
  const {
    open,
    show,
    chosen: structure,
    choose,
    accept,
  } = useBookChoice('structure', DEFAULT_STRUCTURE, 'The book is counted and leads back as you chose.');
  const asked = useAskedStructure((store) => store.asked);
  const answered = useRef(asked);
  useEffect(() => {
    if (asked === answered.current) return;
    answered.current = asked;
    show(true);
  });
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Named words="Numbers, notes and return links">
        <Dialog.Trigger className="button" data-look="quiet" data-size="small">
          <ListTree size={16} aria-hidden="true" />
          <span className="sr-only">Structure</span>
        </Dialog.Trigger>
      </Named>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(40rem,calc(100vw-2rem))]">
          <Dialog.Title className="text-xl font-semibold">The structure of the book</Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">
            It goes into every form that you publish.
          </Dialog.Description>
          <Fields structure={structure} change={choose} />
          <HandMadeNotes close={() => show(false)} />
          {open && <TypedNotes close={() => show(false)} />}
          {open && <HandMadeNavigation close={() => show(false)} />}
          <div className="mt-5 flex justify-end gap-2">
            <Dialog.Close className="button" data-look="quiet">
              Not now
            </Dialog.Close>
            <button type="button" className="button" data-look="main" onClick={accept}>
              Use this structure
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Fields({ structure, change }: { structure: Structure; change(structure: Structure): void }) {
  const { numbering, notes, returns, offered, listed = 0, readers = 'everyone' } = structure;
  const set = (more: Partial<Structure>) => change({ ...structure, ...more });
  const turn = (to: ReturnTo) =>
    set({
      returns: {
        ...returns,
        to: returns.to.includes(to) ? returns.to.filter((one) => one !== to) : [...returns.to, to],
      },
    });
  return (
    <div className="grid gap-x-6 gap-y-5 sm:grid-cols-2">
      <Group title="Numbers of headings, figures and tables">
        {NUMBERINGS.map(([value, words]) => (
          <Choice
            key={value}
            name="numbering"
            words={words}
            on={numbering === value}
            pick={() => set({ numbering: value })}
          />
        ))}
      </Group>
      <Group title="Notes are shown">
        {STANDS.map(([value, words]) => (
          <Choice
            key={value}
            name="stand"
            words={words}
            on={notes.stand === value}
            pick={() => set({ notes: { ...notes, stand: value } })}
          />
        ))}
        <p className="text-sm text-soft">
          Where there are no pages, in an e-book and on a web page, they follow their chapter instead of the
          page.
        </p>
      </Group>
      <Group title="Notes are counted">
        <Choice
          name="count"
          words="Anew in each chapter"
          on={notes.count === 'chapter'}
          pick={() => set({ notes: { ...notes, count: 'chapter' } })}
        />
        <Choice
          name="count"
          words="Through the book"
          on={notes.count === 'book'}
          pick={() => set({ notes: { ...notes, count: 'book' } })}
        />
        <Words
          label="Words of the way back"
          value={notes.back}
          otherwise={ownWords().back}
          change={(back) => set({ notes: { ...notes, back } })}
        />
      </Group>
      <Group title="Return links">
        <Levels
          label="After each section of"
          value={returns.after}
          none="no section: only where I put them"
          change={(after) => set({ returns: { ...returns, after } })}
        />
        {RETURNS.map(([value, words]) => (
          <label key={value} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-amber"
              disabled={returns.after === 0}
              checked={returns.to.includes(value)}
              onChange={() => turn(value)}
            />
            {words}
          </label>
        ))}
      </Group>
      <Group title="Places and contents">
        <Levels
          label="Headings that “Leads to” offers"
          value={offered}
          change={(level) => set({ offered: level })}
        />
        <Levels
          label="Headings that the contents list"
          value={listed}
          none="as is usual in each form"
          change={(level) => set({ listed: level || undefined })}
        />
      </Group>
      <Group title="Whom the book is for">
        {READERS.map(([value, words]) => (
          <Choice
            key={value}
            name="readers"
            words={words}
            on={readers === value}
            pick={() => set({ readers: value })}
          />
        ))}
        <p className="text-sm text-soft">A file that not all of them can open is found guarded.</p>
      </Group>
    </div>
  );
}

function Words({
  label,
  value,
  otherwise,
  change,
}: {
  label: string;
  value: string;
  otherwise: string;
  change(words: string): void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <input
          id={id}
          className="field"
          maxLength={100}
          value={value}
          placeholder={otherwise}
          onChange={(event) => change(event.target.value)}
        />
      )}
    </Labelled>
  );
}

/** A level of headings, down to which something holds. */
function Levels({
  label,
  value,
  none,
  change,
}: {
  label: string;
  value: number;
  none?: string;
  change(level: number): void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <select
          id={id}
          className="field"
          value={value}
          onChange={(event) => change(Number(event.target.value))}
        >
          {none && <option value={0}>{none}</option>}
          {[1, 2, 3, 4, 5, 6].map((level) => (
            <option key={level} value={level}>
              {message('{level, plural, one {level 1} other {levels 1 to #}}', { level })}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}
