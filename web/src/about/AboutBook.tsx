import { isbnIn, isIsbn, NO_PUBLICATION } from '@vennet/core/manuscript';
import type { Manuscript } from '@vennet/core/wire';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { DetailsState } from '../book/details.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { Cover } from './Cover.js';
import { KeptField } from './KeptField.js';
import { nameOfLanguage, offeredLanguages, tagOf } from '../parts/languages.js';
import { People } from './People.js';

const STATE_WORDS: Record<DetailsState, string> = {
  kept: 'Everything here is kept.',
  keeping: 'Keeping it …',
  unreachable: 'Vennet does not answer. What you wrote is kept in this browser and sent again.',
};

/** The room for the book itself: what it is called, whose it is, and what its files say of it. */
export function AboutBook() {
  const book = useBook((store) => store.book);
  const { details } = openBook();
  const { state } = useStore(details.state);
  useEffect(() => () => void details.settled(), [details]);
  if (!book) return null;
  return (
    <main className="grow overflow-auto">
      <div className="mx-auto max-w-5xl px-6 py-7">
        <h1 className="font-text text-3xl">The book</h1>
        <p className="mt-1 max-w-2xl text-soft">
          What its title page, its cover and its files say of it.{' '}
          <span data-testid="details-state">{STATE_WORDS[state]}</span>
        </p>
        <div className="mt-6 flex flex-wrap items-start gap-x-12 gap-y-6">
          <Fields book={book} />
          <Cover book={book} kept={state === 'kept'} change={details.change} />
        </div>
      </div>
    </main>
  );
}

const lines = (words: string): string[] =>
  words
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** A year, a month or a day, as the files of books have it (W3CDTF). */
const isMoment = (words: string): boolean =>
  /^\d{4}(?:-(?:0[1-9]|1[0-2])(?:-(?:0[1-9]|[12]\d|3[01]))?)?$/.test(words);

const MOST_LINES = 50;
const fewLines = (words: string): string | null =>
  lines(words).length > MOST_LINES ? `At most ${MOST_LINES} lines are kept. Join or remove some.` : null;

function wrongIsbn(words: string): string | null {
  const wrong = lines(words).find((line) => {
    const digits = isbnIn(line);
    return digits !== null && !isIsbn(digits);
  });
  return wrong
    ? `“${wrong}” is no ISBN: its digits don’t fit its last one. Look at the number once more.`
    : fewLines(words);
}

function Fields({ book }: { book: Manuscript }) {
  const { change } = openBook().details;
  const { title, subtitle, language, description, publication = NO_PUBLICATION } = book;
  const { publisher, published, rights, source, identifiers, subjects } = publication;
  const [languages] = useState(offeredLanguages);
  const said = (key: 'publisher' | 'published' | 'rights' | 'source') => (words: string) =>
    change({ publication: { [key]: words } });
  return (
    <div className="w-[36rem] max-w-full grow space-y-4">
      <KeptField
        label="Title"
        value={title}
        most={300}
        lang={language}
        refuse={(words) =>
          words === '' ? 'A book needs a title. The one it had stays until you write another.' : null
        }
        keep={(words) => change({ title: words })}
      />
      <KeptField
        label="Subtitle"
        value={subtitle}
        most={300}
        lang={language}
        keep={(words) => change({ subtitle: words })}
      />
      <People key={book.id} book={book} change={change} />
      <KeptField
        label="Language"
        value={language}
        most={60}
        list="languages"
        hint={`${nameOfLanguage(language) ?? 'A language that has no name here'}. Spelling, quotation marks, hyphens, what is heard and what Vennet writes into the book follow it.`}
        refuse={(words) =>
          tagOf(words) === null
            ? `“${words}” is no language. Write its name, or its tag such as en, de or pt-BR.`
            : null
        }
        keep={(words) => change({ language: tagOf(words) ?? language })}
      />
      <datalist id="languages">
        {languages.map(({ tag, name }) => (
          <option key={tag} value={tag}>
            {name}
          </option>
        ))}
      </datalist>
      <KeptField
        label="Description"
        value={description}
        rows={4}
        most={5000}
        lang={language}
        hint="A few sentences for catalogues and shops."
        keep={(words) => change({ description: words })}
      />
      <h2 className="pt-3 text-lg font-semibold">Where it is published</h2>
      <div className="grid gap-4 sm:grid-cols-2">
        <KeptField label="Publisher" value={publisher} most={1000} keep={said('publisher')} />
        <KeptField
          label="Date"
          value={published}
          most={1000}
          hint="2026, 2026-11 or 2026-11-28"
          refuse={(words) =>
            words === '' || isMoment(words)
              ? null
              : 'Write a year, or a day as 2026-11-28: other words are not understood.'
          }
          keep={said('published')}
        />
      </div>
      <KeptField
        label="Rights"
        value={rights}
        rows={2}
        most={5000}
        hint="Such as “© 2026 and the name of who holds them”, or the name of a licence."
        keep={said('rights')}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <KeptField
          label="Identifiers"
          value={identifiers.join('\n')}
          rows={3}
          most={2000}
          hint="An ISBN or another number that others know it by, one a line."
          refuse={wrongIsbn}
          keep={(words) => change({ publication: { identifiers: lines(words) } })}
        />
        <KeptField
          label="Subjects"
          value={subjects.join('\n')}
          rows={3}
          most={2000}
          hint="What it is about, one a line."
          refuse={fewLines}
          keep={(words) => change({ publication: { subjects: lines(words) } })}
        />
      </div>
      <KeptField
        label="Made from"
        value={source}
        most={1000}
        hint="The work that this one was made from, if there is one."
        keep={said('source')}
      />
    </div>
  );
}
