import { copyInto } from '@vennet/core/edits';
import { contentWithinBounds, FITTED, type Fitted } from '@vennet/core/manuscript';
import { Slice, type Fragment } from 'prosemirror-model';
import { Plugin } from 'prosemirror-state';
import { linkAddresses } from './autolink.js';
import { useNotices } from '../../parts/notices.js';
import { bringPictures } from '../changes/bring-pictures.js';
import { pastedHtml } from './pasted-html.js';
import { tellOfTypedNotes } from '../changes/typed-notes.js';
import { partsOfPasted } from '../changes/pasted-pictures.js';
import { mint } from '../state/mint.js';
import { takenIds } from '../state/taken-ids.js';

/**
 * What is pasted: what was cut keeps its ids, what was copied gets new ones, and addresses become links. What is dragged
 * within the text keeps its ids; should it have been copied, it gets new ones afterwards.
 */
export function pastedText(): Plugin {
  return new Plugin({
    props: {
      transformPastedHTML(html, view) {
        const parse = (text: string) => new DOMParser().parseFromString(text, 'text/html');
        const { body } = parse(pastedHtml(html, parse));
        const parts = partsOfPasted(body, mint);
        // Once it stands in the text.
        if (parts.pictures.length + parts.leftOut > 0) setTimeout(() => bringPictures(view, parts));
        return body.innerHTML;
      },
      transformPasted(slice, view) {
        if (view.dragging) return slice;
        tellOfTypedNotes(slice.content.textBetween(0, slice.content.size, '\n'));
        const content = linkAddresses(copyInto(fitted(slice.content), takenIds(), mint));
        return new Slice(content, slice.openStart, slice.openEnd);
      },
    },
  });
}

/** What is pasted, as a chapter can hold it; what had to be changed is told. */
function fitted(content: Fragment): Fragment {
  const changes = new Set<Fitted>();
  const within = contentWithinBounds(content, (what) => changes.add(what));
  for (const what of changes) {
    const [things, why] = FITTED[what];
    useNotices.getState().tell(`Changed while it was pasted: ${things}, since ${why}.`);
  }
  return within;
}
