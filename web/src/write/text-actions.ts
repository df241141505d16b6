import type { Command } from 'prosemirror-state';
import { choosePicture } from '../editor/changes/insert-pictures.js';
import { goBack, goForward } from '../editor/going/visited.js';
import type { LinkActions } from '../editor/keys.js';
import { linkAtSelection } from '../editor/state/links.js';
import { useEditor } from '../editor/state/store.js';
import { askFor } from './write-asks.js';
import { askToFind } from '../find/left-tab.js';
import { copyAddress } from '../follow/copy-address.js';

/** What keys of the text do that reaches beyond it. */
export function textActions(chapter: string): LinkActions {
  const withLink =
    (act: (link: NonNullable<ReturnType<typeof linkAtSelection>>) => boolean): Command =>
    (state) => {
      const link = linkAtSelection(state, chapter);
      return link !== null && act(link);
    };
  return {
    chapter,
    follow: withLink((link) => {
      useEditor.setState({ following: link });
      return true;
    }),
    copyAddress: withLink((link) => {
      void copyAddress(link);
      return true;
    }),
    mentions: withLink((link) => {
      const words = link.carrier === 'text' ? link.text.trim() : '';
      if (words !== '') useEditor.setState({ mentions: { words, link } });
      return words !== '';
    }),
    choosePicture: () => {
      const { view } = useEditor.getState();
      if (view) choosePicture(view);
      return view !== null;
    },
    askForTable: (_state, dispatch) => {
      if (dispatch) askFor('table');
      return true;
    },
    find: ({ doc, selection }, dispatch) => {
      const { from, to } = selection;
      const words = to - from < 200 ? doc.textBetween(from, to, ' ') : '';
      if (dispatch) askToFind(words.trim());
      return true;
    },
    back: goBack,
    forward: goForward,
  };
}
