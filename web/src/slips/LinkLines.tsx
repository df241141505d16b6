import type { Link } from '@vennet/core/manuscript';
import { Copy, ExternalLink, ListChecks, Unlink } from 'lucide-react';
import type { EditorView } from 'prosemirror-view';
import { removeLink, repairLink } from '../editor/changes/change-links.js';
import { useEditor } from '../editor/state/store.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { useBook, verdictFor } from '../book/store.js';
import { copyAddress } from '../follow/copy-address.js';

/** What the last check said of a link, and the way to where it moved. */
export function VerdictLine({ link, view }: { link: Link; view: EditorView }) {
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const { verdict, reason, movedTo } = verdictFor(link, { placeIds, verdicts, surroundings });
  if (link.kind === 'mail') return null;
  return (
    <div className="mt-2.5 text-sm">
      <p className="flex gap-1.5">
        <VerdictMark verdict={verdict} withWord /> <span>{reason}</span>
      </p>
      {movedTo && link.kind === 'web' && (
        <button
          type="button"
          className="button mt-1 !h-auto !justify-start text-left break-all"
          data-size="small"
          onClick={() =>
            repairLink(view, link, { type: 'destination', destination: { kind: 'web', href: movedTo } })
          }
        >
          Lead to {movedTo}
        </button>
      )}
    </div>
  );
}

/** What can be done with a link that is there. */
export function LinkButtons({ link, view }: { link: Link; view: EditorView }) {
  const remove = () => {
    removeLink(useEditor.getState().chapter)(view.state, view.dispatch);
    view.focus();
  };
  return (
    <>
      <Act words="Follow" icon={ExternalLink} act={() => useEditor.setState({ following: link })} />
      {(link.kind === 'web' || link.kind === 'mail') && (
        <Act words="Copy" icon={Copy} act={() => void copyAddress(link)} />
      )}
      {link.carrier === 'text' && link.text.trim() !== '' && (
        <Act
          words="Mentions"
          title="Link every mention of these words, or unlink them"
          icon={ListChecks}
          act={() => useEditor.setState({ mentions: { words: link.text.trim(), link } })}
        />
      )}
      <Act words="Remove" title="Remove the link, keep its words" icon={Unlink} act={remove} />
    </>
  );
}

function Act({
  words,
  title,
  icon: Icon,
  act,
}: {
  words: string;
  title?: string;
  icon: typeof Copy;
  act(): void;
}) {
  return (
    <button type="button" className="button" data-look="quiet" data-size="small" title={title} onClick={act}>
      <Icon size={15} aria-hidden="true" /> {words}
    </button>
  );
}
