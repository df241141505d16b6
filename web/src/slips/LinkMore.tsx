import { languageTag } from '@vennet/core/language';
import { aboutOrNothing, NOTHING_ABOUT, type LinkAbout } from '@vennet/core/manuscript';
import { useState } from 'react';
import { Labelled } from '../parts/Labelled.js';

interface MoreProps {
  about: LinkAbout | null;
  /** Only pages of the web have a language of their own, and a window. */
  isWeb: boolean;
  change(about: LinkAbout | null): void;
}

/** What few links need: another name for who listens, the language of the page, a window of its own. */
export function LinkMore({ about, isWeb, change }: MoreProps) {
  const stored = about ?? NOTHING_ABOUT;
  const [language, setLanguage] = useState(stored.language);
  const set = (more: Partial<LinkAbout>) => change(aboutOrNothing({ ...stored, ...more }));
  const isTag = language.trim() === '' || languageTag(language) !== null;
  return (
    <details className="mt-2.5 text-sm" open={about !== null}>
      <summary className="cursor-pointer text-soft">More about this link</summary>
      <div className="mt-2 space-y-2 border-l-2 border-line pl-3">
        <Labelled label="Heard instead of the words">
          {(id) => (
            <input
              id={id}
              className="field"
              placeholder="the words themselves"
              value={stored.name}
              onChange={(event) => set({ name: event.target.value })}
            />
          )}
        </Labelled>
        {isWeb && (
          <>
            <Labelled label="Language of the page">
              {(id) => (
                <>
                  <input
                    id={id}
                    className="field !w-36"
                    placeholder="such as de, pt-BR"
                    value={language}
                    aria-invalid={!isTag}
                    aria-describedby={`${id}-fault`}
                    onChange={({ target: { value } }) => {
                      setLanguage(value);
                      const tag = value.trim() === '' ? '' : languageTag(value);
                      if (tag !== null) set({ language: tag });
                    }}
                  />
                  <p id={`${id}-fault`} className="text-broken">
                    {isTag ? '' : 'A language is written as a tag such as de or pt-BR.'}
                  </p>
                </>
              )}
            </Labelled>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-amber"
                checked={stored.newWindow}
                onChange={(event) => set({ newWindow: event.target.checked })}
              />
              Opens a new window on a web page
            </label>
          </>
        )}
      </div>
    </details>
  );
}
