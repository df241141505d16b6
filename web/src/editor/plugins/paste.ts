import { copyInto } from '@vennet/core/edits';
import { Slice } from 'prosemirror-model';
import { Plugin } from 'prosemirror-state';
import { linkAddresses } from './autolink.js';
import { mint } from '../state/mint.js';
import { takenIds } from '../state/taken-ids.js';

/**
 * What is pasted: what was cut keeps its ids, what was copied gets new ones, and addresses become links. What is dragged
 * within the text keeps its ids; should it have been copied, it gets new ones afterwards.
 */
export function pastedText(): Plugin {
  return new Plugin({
    props: {
      transformPasted(slice, view) {
        if (view.dragging) return slice;
        const content = linkAddresses(copyInto(slice.content, takenIds(), mint));
        return new Slice(content, slice.openStart, slice.openEnd);
      },
    },
  });
}
