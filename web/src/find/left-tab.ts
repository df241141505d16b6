import { create } from 'zustand';

export type LeftTab = 'outline' | 'bookmarks' | 'find';

/** What stands left of the text. `asked` goes up whenever the search is asked for: then its field has the focus. */
export const useLeft = create<{ tab: LeftTab; asked: number; words: string; isFolded: boolean }>(() => ({
  tab: 'outline',
  asked: 0,
  words: '',
  isFolded: true,
}));

/** Folds it away where there is no room beside the text; elsewhere it stands open. */
export const fold = (isFolded: boolean): void => useLeft.setState({ isFolded });

export const showLeft = (tab: LeftTab): void => useLeft.setState({ tab });

/** Shows the search; `words`, where there are some, are searched for. */
export const askToFind = (words: string): void =>
  useLeft.setState(({ asked, words: before }) => ({
    tab: 'find',
    asked: asked + 1,
    words: words || before,
    isFolded: false,
  }));
