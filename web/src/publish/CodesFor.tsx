import { linksOfChapter, readChapter } from '@vennet/core/manuscript';
import { lookName, type PdfChoices } from '@vennet/core/publish';
import { message } from '@vennet/core/language';
import { useMemo } from 'react';
import { useBook } from '../book/store.js';
import { Tick } from '../parts/Tick.js';

interface CodesForProps {
  codesFor: PdfChoices['codesFor'];
  change(codesFor: string[]): void;
}

/** Which links get a QR code: every one, all of one look, or single ones. */
export function CodesFor({ codesFor, change }: CodesForProps) {
  const chapters = useBook((store) => store.book?.chapters);
  const links = useMemo(
    () =>
      (chapters ?? [])
        .flatMap((chapter) => linksOfChapter(readChapter(chapter).doc, chapter.id))
        .filter(({ kind }) => kind === 'web' || kind === 'mail'),
    [chapters],
  );
  const looks = useMemo(() => {
    const counts = new Map<string, { count: number; sample: string }>();
    for (const { look, text } of links) {
      const name = lookName(look);
      const known = counts.get(name);
      counts.set(name, { count: (known?.count ?? 0) + 1, sample: known?.sample ?? text });
    }
    return [...counts];
  }, [links]);
  const chosen = new Set(codesFor);
  const turn = (name: string) => {
    const now = new Set(chosen);
    if (!now.delete(name)) now.add(name);
    change([...now]);
  };
  return (
    <fieldset className="basis-full">
      <legend className="sr-only">Which links get a code</legend>
      <Tick
        on={codesFor.length === 0}
        turn={() => change(codesFor.length === 0 ? [looks[0]?.[0] ?? ''] : [])}
      >
        Every link gets a code
      </Tick>
      {codesFor.length > 0 && (
        <div className="mt-1 ml-5">
          {looks.map(([name, { count, sample }]) => (
            <Tick key={name} on={chosen.has(name)} turn={() => turn(name)}>
              <span>
                {name === lookName(null)
                  ? message('Links in the look of the book ({count})', { count })
                  : message('Links that look like “{sample}” ({count})', { sample, count })}
              </span>
            </Tick>
          ))}
          <p className="mt-2 text-sm text-soft">or single links:</p>
          <div className="mt-1 max-h-48 overflow-y-auto rounded-md border border-line px-2 py-1 text-sm">
            {links.map(({ id, text, href, look }) => (
              <Tick
                key={id}
                on={chosen.has(id) || chosen.has(lookName(look))}
                turn={() => !chosen.has(lookName(look)) && turn(id)}
              >
                <span className="min-w-0 truncate" title={href}>
                  {text || href}
                </span>
              </Tick>
            ))}
          </div>
        </div>
      )}
    </fieldset>
  );
}
