import { useMemo, useState } from 'react';
import { putSign } from '../editor/changes/word-looks.js';
import { Labelled } from '../parts/Labelled.js';
import { AskDialog } from './AskDialog.js';
import { accept } from './write-asks.js';
import { SHOWN_AS, signsFor } from './signs.js';

/** Signs that no key has, found by their names. */
export function SpecialSigns() {
  const [wanted, setWanted] = useState('');
  const found = useMemo(() => signsFor(wanted), [wanted]);
  return (
    <AskDialog ask="sign" title="A special sign" width="36rem">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (found[0]) accept(putSign(found[0].sign));
        }}
      >
        <Labelled label="Its name, or a part of it">
          {(id) => (
            <input
              id={id}
              className="field"
              value={wanted}
              autoComplete="off"
              placeholder="dash, degree, arrow, e with acute, U+2192 …"
              onFocus={(event) => event.target.select()}
              onChange={(event) => setWanted(event.target.value)}
            />
          )}
        </Labelled>
        <p className="mt-1 text-sm text-soft" role="status">
          {found.length === 0
            ? 'No sign is called so. Try a part of its name.'
            : `${found.length} found. Enter puts in the first: ${found[0]?.name}.`}
        </p>
        <ul className="mt-3 grid max-h-80 grid-cols-2 gap-x-3 overflow-y-auto border-t border-line pt-2 max-sm:grid-cols-1">
          {found.map(({ sign, code, name }) => (
            <li key={code}>
              <button
                type="button"
                className="flex w-full cursor-pointer items-center gap-3 rounded px-2 py-1 text-left hover:bg-wash"
                onClick={() => accept(putSign(sign))}
                title={code}
              >
                <span aria-hidden="true" className="w-9 shrink-0 text-center font-text text-xl leading-none">
                  {SHOWN_AS[sign] ? (
                    <span className="font-ui text-[0.65rem] leading-none text-soft">{SHOWN_AS[sign]}</span>
                  ) : (
                    sign
                  )}
                </span>
                <span className="text-sm leading-tight">{name}</span>
              </button>
            </li>
          ))}
        </ul>
      </form>
    </AskDialog>
  );
}
