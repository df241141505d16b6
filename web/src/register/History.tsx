import type { Asked, Failure } from '@vennet/core/reach';
import { counted, message } from '@vennet/core/language';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries.js';
import { VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';

/** How a destination was found over the runs, and every request that the latest verdict rests on. */
export function History({ book, href }: { book: string; href: string }) {
  const { data } = useQuery(queries.history(book, href));
  if (!data) return <p className="mb-3 h-6" />;
  const { seen, requests, title } = data;
  return (
    <div className="mt-2 mb-4 text-sm">
      {title && (
        <p className="text-soft">
          The page calls itself <span className="text-ink">“{title}”</span>
        </p>
      )}
      {seen.length > 1 && (
        <ol
          aria-label="Earlier checks, the oldest first"
          className="mt-1.5 flex flex-wrap items-center gap-1"
        >
          {[...seen].reverse().map((one) => (
            <li
              key={one.checkedAt}
              title={`${VERDICT_WORDS[one.verdict]}, ${when(one.checkedAt, 'moment')}. ${one.reason}`}
              className="flex border-b-2 border-line pb-0.5"
            >
              <VerdictMark verdict={one.verdict} />
              <span className="sr-only">{when(one.checkedAt, 'moment')}</span>
            </li>
          ))}
          <li className="ml-1 text-soft">{counted(seen.length, 'check', 'checks')}</li>
        </ol>
      )}
      {requests.length > 0 && (
        <details className="mt-1.5">
          <summary className="cursor-pointer text-soft">
            {message('{count, plural, one {The one request} other {All # requests}}', {
              count: requests.length,
            })}
          </summary>
          <ol className="mt-2 space-y-2 border-l-2 border-line pl-4">
            {requests.map((request, index) => (
              <Request key={index} request={request} />
            ))}
          </ol>
        </details>
      )}
    </div>
  );
}

const WHY: Record<NonNullable<Asked['why']>, string> = {
  robots: 'what programs may look at',
  nonsense: 'an address that can’t exist, to compare with',
  secure: 'whether HTTPS gives the same',
  archive: 'a copy in the archive',
  title: 'the title of the page',
  lenient: 'asked once more, as leniently as browsers read',
};

const FAILED: Record<Failure, string> = {
  'unknown-name': 'no such name',
  'name-fault': 'the name could not be looked up',
  refused: 'connection refused',
  timeout: 'no answer in time',
  reset: 'the connection broke off',
  certificate: 'certificate not in order',
  protocol: 'no HTTP',
  unpackable: 'can’t be unpacked',
  'private-address': 'private address',
  'redirect-loop': 'a circle',
  'too-many-redirects': 'too many redirects',
  'bad-redirect': 'a redirect that can’t be read',
  robots: 'not allowed to programs',
  'robots-unknown': 'rules could not be read',
  resting: 'the host rests',
};

function Request({ request }: { request: Asked }) {
  const { method, href, status, failure, code, time, at, why, rest, headers = [] } = request;
  return (
    <li>
      <p className="break-all">
        <span className="font-semibold">{status ?? (failure ? FAILED[failure] : 'answered')}</span>{' '}
        <span className="text-soft">{method}</span> {href}
      </p>
      <p className="text-soft">
        {[
          why && WHY[why],
          failure && status ? FAILED[failure] : '',
          code,
          rest ? `after a rest of ${seconds(rest)}` : '',
          `took ${seconds(time)}`,
          when(at, 'moment'),
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {headers.length > 0 && (
        <p className="break-all text-soft">
          {headers.map(({ name, value }) => (
            <span key={name} className="mr-3 inline-block">
              {name}: <span className="text-ink">{value}</span>
            </span>
          ))}
        </p>
      )}
    </li>
  );
}

const seconds = (time: number): string => (time < 1000 ? `${time} ms` : `${(time / 1000).toFixed(1)} s`);
