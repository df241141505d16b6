import { isOnlyAddress } from '@vennet/core/audit';
import { pageAddress, type Destination } from '@vennet/core/destination';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';

/** Time that an address has to stand before its page is asked, in ms: nobody is asked for half an address. */
const SETTLED = 500;

export type TitleState =
  { at: 'idle' } | { at: 'asking' } | { at: 'found'; words: string } | { at: 'none'; why: string };

/** The title of the page that a link leads to, where an address stands for words or there are none yet. */
export function usePageTitle(destination: Destination | null, text: string): TitleState {
  const bare = text.trim() === '' || isOnlyAddress(text);
  const href = bare ? pageAddress(destination) : null;
  const [state, setState] = useState<TitleState & { href?: string }>({ at: 'idle' });
  useEffect(() => {
    if (!href) return;
    const work = new AbortController();
    const timer = setTimeout(() => {
      setState({ at: 'asking', href });
      api.title(href, work.signal).then(
        ({ words }) => setState({ at: 'found', words, href }),
        (error: Error) => {
          if (!work.signal.aborted) setState({ at: 'none', why: error.message, href });
        },
      );
    }, SETTLED);
    return () => {
      clearTimeout(timer);
      work.abort();
    };
  }, [href]);
  return href && state.href === href ? state : { at: 'idle' };
}
