import type { Node } from 'prosemirror-model';
import type { EditorView } from 'prosemirror-view';
import { Copy, ExternalLink, SquareDashedMousePointer, Unlink } from 'lucide-react';
import { destinationWords } from '../book/destination-words.js';
import { useBook } from '../book/store.js';
import { areasOf, MIDDLE } from '../editor/changes/change-figures.js';
import { linkAtSelection } from '../editor/state/links.js';
import { draftArea, openArea } from '../editor/state/open-area.js';
import { useEditor } from '../editor/state/store.js';
import { copyAddress } from '../follow/copy-address.js';
import { KindMark } from '../parts/KindMark.js';

/** What can be done with the link of a whole picture. */
export function WholeLinkButtons({ view, remove }: { view: EditorView; remove(): void }) {
  const link = linkAtSelection(view.state, useEditor.getState().chapter);
  const quiet = { type: 'button', className: 'button', 'data-look': 'quiet', 'data-size': 'small' } as const;
  return (
    <>
      <button {...quiet} onClick={() => useEditor.setState({ following: link })}>
        <ExternalLink size={15} aria-hidden="true" /> Follow
      </button>
      {link && (link.kind === 'web' || link.kind === 'mail') && (
        <button {...quiet} onClick={() => void copyAddress(link)}>
          <Copy size={15} aria-hidden="true" /> Copy
        </button>
      )}
      <button {...quiet} onClick={remove}>
        <Unlink size={15} aria-hidden="true" /> Remove
      </button>
    </>
  );
}

/** The parts of a picture that lead elsewhere, and the way to one more. */
export function PictureParts({ node }: { node: Node }) {
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const areas = areasOf(node);
  return (
    <div className="mt-3 border-t border-line pt-2.5">
      <p className="mb-1 text-sm font-semibold">Parts of the picture</p>
      <ul aria-label="Link areas">
        {areas.map((area) => (
          <li key={area.id}>
            <button
              type="button"
              className="flex w-full cursor-pointer items-center gap-2 rounded px-1.5 py-1 text-left text-sm hover:bg-ground"
              onClick={() => openArea(area.id)}
            >
              <KindMark kind={area.destination.kind} />
              <span className="truncate font-semibold">{area.name || 'Without a name'}</span>
              <span className="truncate text-soft">
                {destinationWords(area.destination, { places, surroundings })}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft">Drag over the picture to draw a link area.</p>
      <button type="button" className="button mt-1.5" data-size="small" onClick={() => draftArea(MIDDLE)}>
        <SquareDashedMousePointer size={15} aria-hidden="true" /> Add one in the middle
      </button>
    </div>
  );
}
