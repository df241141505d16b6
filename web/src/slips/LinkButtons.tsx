import type { Link } from '@vennet/core/manuscript';
import { Copy, ExternalLink, ListChecks, Unlink } from 'lucide-react';
import type { EditorView } from 'prosemirror-view';
import { removeLink } from '../editor/changes/change-links.js';
import { useEditor } from '../editor/state/store.js';
import { copyAddress } from '../follow/copy-address.js';

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
