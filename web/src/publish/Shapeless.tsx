import { message } from '@vennet/core/language';
import type { ShapelessSign } from '@vennet/core/publish';

/** How many signs are told one by one. */
const TOLD = 8;

/** Signs of the book that no font has a shape for. */
export function Shapeless({ signs }: { signs: ShapelessSign[] }) {
  const packages = [...new Set(signs.map(({ fonts }) => fonts).filter((one) => one !== ''))];
  return (
    <section aria-label="Signs without a shape" className="mt-4 border-l-4 border-moved py-1 pl-3">
      <p className="font-semibold">
        {message(
          'No font of this machine has a shape for {count, plural, one {one sign} other {# signs}}: boxes will stand there.',
          { count: signs.length },
        )}
      </p>
      <ul className="mt-1 list-disc space-y-1 pl-5">
        {signs.slice(0, TOLD).map(({ sign, chapter, words }) => (
          <li key={sign}>
            <bdi className="font-semibold">{sign}</bdi>
            {chapter === '' ? '' : `, first in “${chapter}”`}
            {words === '' ? '' : ': '}
            {words !== '' && <bdi className="text-soft">{words}</bdi>}
          </li>
        ))}
        {signs.length > TOLD && <li>and {signs.length - TOLD} more</li>}
      </ul>
      {packages.length > 0 && (
        <p className="mt-1 text-soft">
          Install {packages.join(' and ')} on the machine that Vennet runs on, and start it again.
        </p>
      )}
    </section>
  );
}
