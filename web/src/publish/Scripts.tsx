import { message } from '@vennet/core/language';
import type { ScriptFont } from '@vennet/core/publish';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';
import { Fold } from '../parts/Fold.js';

const FROM: Record<ScriptFont['from'], string> = {
  shipped: 'comes with Vennet',
  shelf: 'from the Shelf',
  machine: 'of this machine',
};

/** Each script of the book with the fonts in which it is set; what is missing is told, with where it is to be had. */
export function Scripts() {
  const book = useBook((store) => store.book?.id ?? '');
  const { data } = useQuery(queries.bookFonts(book));
  if (!data || data.scripts.length === 0) return null;
  const { scripts, refused } = data;
  const missing = scripts.filter((one) => one.missing > 0).length;
  return (
    <Fold
      isOpen={missing + refused.length > 0}
      words={
        missing > 0
          ? message(
              '{count, plural, one {For one script a font is missing} other {For # scripts a font is missing}}',
              {
                count: missing,
              },
            )
          : message('{count, plural, one {Its script has a font} other {Each of its # scripts has a font}}', {
              count: scripts.length,
            })
      }
    >
      <dl className="mt-1 ml-5 space-y-1">
        {scripts.map(({ script, fonts, missing: lost, debian, npm }) => (
          <div key={script} className="grid grid-cols-[9rem_minmax(0,1fr)] gap-3">
            <dt>{script}</dt>
            <dd>
              {fonts.map(({ family, from }) => (
                <span key={family} className="block">
                  {family} <span className="text-sm text-soft">{FROM[from]}</span>
                </span>
              ))}
              {lost > 0 && (
                <span className="block border-l-4 border-moved pl-2">
                  {message(
                    'No font has a shape for {count, plural, one {one letter} other {# letters}}. Put a font for it on the Shelf, or install {debian} (Debian){npm}.',
                    { count: lost, debian, npm: npm === '' ? '' : `; the npm package ${npm} has one, too` },
                  )}
                </span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {refused.map((why) => (
        <p key={why} className="mt-2 ml-5 border-l-4 border-moved pl-2">
          {why}
        </p>
      ))}
    </Fold>
  );
}
