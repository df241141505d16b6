import { colourFrom, contrastsOf, contrastsOfVisited, PAGES, type LookContrast } from '@vennet/core/reader';
import { DEFAULT_VISITED, underlineOf, type LinkColours, type LinkLook } from '@vennet/core/manuscript';
import { Check, X } from 'lucide-react';
import { useId, useState } from 'react';

/** The choices of a look, a live sample on both pages, and whether it can be read there. */
export function LookFields({ look, change }: { look: LinkLook; change(look: LinkLook): void }) {
  const id = useId();
  const set = (more: Partial<LinkLook>) => change({ ...look, ...more });
  return (
    <div className="space-y-2.5">
      <div className="flex flex-wrap gap-x-5 gap-y-2">
        <Colour words="On a light page" value={look.light} change={(light) => set({ light })} />
        <Colour words="On a dark page" value={look.dark} change={(dark) => set({ dark })} />
        <label className="block">
          <span className="label">Underline</span>
          <select
            className="field"
            value={look.underline}
            onChange={(event) => set({ underline: event.target.value as LinkLook['underline'] })}
          >
            <option value="solid">Solid</option>
            <option value="dotted">Dotted</option>
            <option value="none">None</option>
          </select>
        </label>
        <label className="block">
          <span className="label">Weight</span>
          <select
            className="field"
            value={look.weight}
            onChange={(event) => set({ weight: event.target.value as LinkLook['weight'] })}
          >
            <option value="regular">Regular</option>
            <option value="strong">Strong</option>
          </select>
        </label>
      </div>
      <ul
        className="grid gap-2 [grid-template-columns:repeat(auto-fit,minmax(13rem,1fr))]"
        aria-label="Sample"
      >
        {contrastsOf(look).map((figures) => (
          <Sample key={figures.page} id={`${id}-${figures.page}`} look={look} figures={figures} />
        ))}
      </ul>
    </div>
  );
}

/** Whether links that were followed have colours of their own, and whether these can be read. */
export function VisitedFields({ look, change }: { look: LinkLook; change(look: LinkLook): void }) {
  const id = useId();
  const { visited, ...plain } = look;
  const set = (more: Partial<LinkColours>) =>
    change({ ...plain, visited: { ...(visited ?? DEFAULT_VISITED), ...more } });
  return (
    <fieldset className="mt-4 border-t border-line pt-3">
      <legend className="sr-only">Links that were followed</legend>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-amber"
          checked={visited !== undefined}
          onChange={(event) => (event.target.checked ? set({}) : change(plain))}
        />
        Links that a reader has followed get a colour of their own
      </label>
      <p className="mt-0.5 text-sm text-soft">
        In e-books, web pages and documents; a PDF does not know what was followed.
      </p>
      {visited && (
        <div className="mt-2.5 space-y-2.5">
          <div className="flex flex-wrap gap-x-5 gap-y-2">
            <Colour
              words="Followed, on a light page"
              value={visited.light}
              change={(light) => set({ light })}
            />
            <Colour words="Followed, on a dark page" value={visited.dark} change={(dark) => set({ dark })} />
          </div>
          <ul
            className="grid gap-2 [grid-template-columns:repeat(auto-fit,minmax(13rem,1fr))]"
            aria-label="Sample of links that were followed"
          >
            {contrastsOfVisited(look).map((figures) => (
              <Sample
                key={figures.page}
                id={`${id}-${figures.page}`}
                look={{ ...look, ...visited }}
                figures={figures}
              />
            ))}
          </ul>
        </div>
      )}
    </fieldset>
  );
}

function Colour({ words, value, change }: { words: string; value: string; change(colour: string): void }) {
  const [typed, setTyped] = useState(value);
  const [from, setFrom] = useState(value);
  if (from !== value) {
    setFrom(value);
    if (colourFrom(typed) !== value) setTyped(value);
  }
  const isNone = colourFrom(typed) === null;
  return (
    <label className="block">
      <span className="label">{words}</span>
      <span className="flex gap-1">
        <input
          type="color"
          className="h-[2.1rem] w-10 cursor-pointer rounded border border-strong-line bg-raised p-0.5"
          aria-label={`${words}, picked`}
          value={value}
          onChange={(event) => change(event.target.value)}
        />
        <input
          className="field !w-28 tabular-nums"
          value={typed}
          spellCheck={false}
          aria-label={`${words}, as #rrggbb or by its name in CSS`}
          aria-invalid={isNone}
          onChange={(event) => {
            setTyped(event.target.value);
            const colour = colourFrom(event.target.value);
            if (colour) change(colour);
          }}
          onBlur={() => !isNone && setTyped(value)}
        />
      </span>
      {isNone && (
        <span className="block text-sm text-broken">
          No colour is called so. Write #rrggbb, or a name such as teal.
        </span>
      )}
    </label>
  );
}

function Sample({ id, look, figures }: { id: string; look: LinkLook; figures: LookContrast }) {
  const { page, againstPage, againstWords, readable, told } = figures;
  const { page: background, words: color } = PAGES[page];
  return (
    <li className="overflow-hidden rounded border border-line">
      <p className="px-3 py-2.5 font-text" style={{ background, color }}>
        Ask for the{' '}
        <span
          style={{
            color: look[page],
            textDecoration: `${underlineOf(look)} 1px`,
            textUnderlineOffset: '0.18em',
            fontWeight: look.weight === 'strong' ? 650 : undefined,
          }}
        >
          tide table
        </span>{' '}
        at the window.
      </p>
      <dl className="space-y-1 bg-raised px-2.5 py-2 text-sm" id={id}>
        <Figure words="Page" value={againstPage} wants="4.5" good={readable} />
        <Figure
          words="Words around"
          value={againstWords}
          wants={look.underline === 'none' ? '3' : null}
          good={told}
        />
      </dl>
    </li>
  );
}

function Figure({
  words,
  value,
  wants,
  good,
}: {
  words: string;
  value: number;
  wants: string | null;
  good: boolean;
}) {
  const Icon = good ? Check : X;
  const verdict = good ? 'passes' : 'fails';
  return (
    <div className="flex items-baseline justify-between gap-2">
      <dt className="whitespace-nowrap">{words}</dt>
      <dd
        className="flex items-center gap-1 font-semibold whitespace-nowrap tabular-nums"
        style={{ color: good ? 'var(--sound)' : 'var(--broken)' }}
      >
        <span>{value.toFixed(1)}:1</span> <Icon size={14} aria-hidden="true" /> <span>{verdict}</span>
        <span className="font-normal text-soft">{wants ? `(${wants} wanted)` : '(underlined)'}</span>
      </dd>
    </div>
  );
}
