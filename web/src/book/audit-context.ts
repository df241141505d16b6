import type { AuditContext } from '@vennet/core/audit';
import { DEFAULT_LOOK } from '@vennet/core/manuscript';
import { useMemo } from 'react';
import { useBook } from './store.js';

/** What rules of single links have to know of the open book. */
export function useAuditContext(): AuditContext {
  const language = useBook((store) => store.book?.language ?? 'en');
  const look = useBook((store) => store.book?.look ?? DEFAULT_LOOK);
  const verdicts = useBook((store) => store.verdicts);
  const chapters = useBook((store) => store.book?.chapters);
  const surroundings = useBook((store) => store.surroundings);
  const domains = useBook((store) => store.domains);
  const places = useBook((store) => store.places);
  const handMade = useBook((store) => store.handMade);
  const handMadeBacks = useBook((store) => store.handMadeBacks);
  return useMemo(() => {
    const leftOutOf = new Map(chapters?.map(({ id, leftOutOf }) => [id, leftOutOf]));
    return {
      language,
      look,
      answers: verdicts,
      domains,
      ...surroundings,
      inside: { places, handMade, handMadeBacks, leftOutOf },
    };
  }, [language, look, verdicts, chapters, surroundings, domains, places, handMade, handMadeBacks]);
}
