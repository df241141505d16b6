import type { QueryClient } from '@tanstack/react-query';
import type { Vennet } from '@vennet/client';
import { message } from '@vennet/core/language';
import type { NewRuleChoice, NewSetAside } from '@vennet/core/wire';
import { queries as known } from '../api/queries.js';
import type { NoticeStore } from '../parts/notices.js';
import type { OpenBookStore } from './store.js';

export interface SurveyChoicesNeeds {
  store: OpenBookStore;
  queries: QueryClient;
  api: Pick<Vennet, 'setAside' | 'showAgain' | 'chooseRule'>;
  notices: Pick<NoticeStore, 'tell'>;
  fault(error: unknown): void;
}

/** What the author chooses of the open book's survey. Each gives whether it was done. */
export interface SurveyActs {
  /** Leaves findings and verdicts as they are; offers to take it back. */
  setAside(entries: readonly NewSetAside[]): Promise<boolean>;
  showAgain(ids: readonly string[]): Promise<boolean>;
  /** Raises, lowers or switches off a rule; `null` takes it as it is by itself. */
  chooseRule(rule: string, choice: NewRuleChoice | null): Promise<boolean>;
}

export function createSurveyActs({ store, queries, api, notices, fault }: SurveyChoicesNeeds): SurveyActs {
  const choose = async <Made>(make: (book: string) => Promise<Made>): Promise<Made | null> => {
    const book = store.getState().book?.id;
    if (!book) return null;
    try {
      const made = await make(book);
      await queries.invalidateQueries(known.survey(book));
      return made;
    } catch (error) {
      fault(error);
      return null;
    }
  };
  const acts: SurveyActs = {
    async setAside(entries) {
      const ids = await choose((book) => api.setAside(book, [...entries]));
      if (!ids) return false;
      notices.tell(message('{count, plural, one {One is} other {# are}} set aside.', { count: ids.length }), {
        action: { label: 'Take it back', run: () => void acts.showAgain(ids) },
      });
      return true;
    },
    showAgain: async (ids) =>
      (await choose(async (book) => {
        await api.showAgain(book, [...ids]);
        return true;
      })) !== null,
    chooseRule: async (rule, choice) =>
      (await choose(async (book) => {
        await api.chooseRule(book, rule, choice);
        return true;
      })) !== null,
  };
  return acts;
}
