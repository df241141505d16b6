import { hrefOf } from '@vennet/core/destination';
import { schema } from '@vennet/core/manuscript';
import type { EditorView } from 'prosemirror-view';
import { mint } from '../editor/state/mint.js';
import { makeOffer, type Offer } from '../editor/state/slip.js';

/** A bare domain was typed: it can lead there, if the author says so. */
export function OfferLine({ view, offer }: { view: EditorView; offer: Offer }) {
  const { from, to, destination } = offer;
  const { link, unlinked } = schema.marks;
  const accept = () => {
    const mark = link.create({ id: mint(), destination });
    view.dispatch(makeOffer(view.state.tr.addMark(from, to, mark).setStoredMarks([]), null));
    view.focus();
  };
  const refuse = () => {
    view.dispatch(makeOffer(view.state.tr.addMark(from, to, unlinked.create()).setStoredMarks([]), null));
    view.focus();
  };
  return (
    <div className="slip" role="group" aria-label="An address was typed">
      <p className="text-sm">
        Shall these words lead to <span className="font-semibold break-all">{hrefOf(destination)}</span>?
      </p>
      <div className="mt-2 flex gap-1.5">
        <button type="button" className="button" data-size="small" onClick={accept}>
          Link them
        </button>
        <button type="button" className="button" data-look="quiet" data-size="small" onClick={refuse}>
          Leave them as words
        </button>
      </div>
    </div>
  );
}
