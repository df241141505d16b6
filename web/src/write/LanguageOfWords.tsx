import { useState } from 'react';
import { inLanguage } from '../editor/changes/word-looks.js';
import { Labelled } from '../parts/Labelled.js';
import { nameOfLanguage, offeredLanguages, tagOf } from '../parts/languages.js';
import { AskButtons, AskDialog } from './AskDialog.js';
import { accept } from './write-asks.js';

/** In which language the selected words are: a title, a name, a term of another language. */
export function LanguageOfWords() {
  const [words, setWords] = useState('');
  const [offered] = useState(offeredLanguages);
  const tag = tagOf(words.trim());
  return (
    <AskDialog ask="language" title="The language of these words">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (tag) accept(inLanguage(tag));
        }}
      >
        <Labelled label="Language">
          {(id) => (
            <input
              id={id}
              className="field"
              list="languages-of-words"
              value={words}
              autoComplete="off"
              placeholder="Latin, fr, de-AT …"
              onFocus={(event) => event.target.select()}
              onChange={(event) => setWords(event.target.value)}
            />
          )}
        </Labelled>
        <datalist id="languages-of-words">
          {offered.map((one) => (
            <option key={one.tag} value={one.name} />
          ))}
        </datalist>
        <p className="text-sm text-soft" role="status">
          {words.trim() === ''
            ? 'They are read aloud, spelled and divided in it (WCAG 3.1.2).'
            : tag
              ? `${nameOfLanguage(tag) ?? tag} (${tag})`
              : `“${words}” is no language. Write its name or its tag.`}
        </p>
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          onClick={() => accept(inLanguage(null))}
        >
          They are in the language of the book
        </button>
        <AskButtons words="Say so" off={tag === null} />
      </form>
    </AskDialog>
  );
}
