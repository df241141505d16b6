import { attrsOf, flatText, idOf, OBJECT } from '@vennet/core/manuscript';
import type { EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { areasOf } from '../editor/changes/change-figures.js';
import { readingOf } from '../editor/changes/change-references.js';
import { askedIn } from '../editor/state/slip.js';
import { useOpenArea } from '../editor/state/open-area.js';
import { AreaSlip } from '../slips/AreaSlip.js';
import { BookmarkSlip } from '../slips/BookmarkSlip.js';
import { InsideSlip } from '../slips/InsideSlip.js';
import { LinkSlip } from '../slips/LinkSlip.js';
import { PictureSlip } from '../slips/PictureSlip.js';
import { OfferLine } from './OfferLine.js';
import type { Subject } from './subject.js';

/** The slip of what the caret is at, or of what is being made. Each is one thing's: it begins anew with another. */
export function OpenSlip({
  view,
  state,
  subject,
}: {
  view: EditorView;
  state: EditorState;
  subject: Subject;
}) {
  const { doc } = state;
  const asked = askedIn(state);
  if ('figure' in subject) return <FigureSlip view={view} {...subject.figure} asked={asked} />;
  if ('inside' in subject)
    return <InsideSlip key={idOf(subject.inside.node)} view={view} {...subject.inside} asked={asked} />;
  if ('offer' in subject) return <OfferLine view={view} offer={subject.offer} />;
  if ('bookmark' in subject) {
    const { bookmark } = subject;
    return <BookmarkSlip key={bookmark.id} view={view} bookmark={bookmark} draft={null} asked={asked} />;
  }
  const draft = 'draft' in subject ? subject.draft : null;
  if (draft?.what === 'bookmark')
    return <BookmarkSlip key={draft.id} view={view} bookmark={null} draft={draft} asked={asked} />;
  const link = 'link' in subject ? subject.link : null;
  return (
    <LinkSlip
      key={draft?.id ?? link?.id}
      view={view}
      link={link}
      reading={readingOf(doc, link)}
      draft={draft}
      asked={asked}
      words={draft ? flatText(doc, draft.from, draft.to).replaceAll(OBJECT, '') : ''}
    />
  );
}

/** The slip of the picture that is selected, of one of its areas, or of an area that is being made. */
function FigureSlip(props: Parameters<typeof PictureSlip>[0]) {
  const { view, node, asked } = props;
  const open = useOpenArea();
  const area = areasOf(node).find(({ id }) => id === open.area) ?? null;
  const box = area ?? open.draft;
  if (box) return <AreaSlip key={area?.id ?? 'new'} view={view} area={area} box={box} asked={asked} />;
  if (node.type.name === 'page') return null;
  const { id, enclosure } = attrsOf.figure(node);
  return <PictureSlip key={`${id} ${enclosure}`} {...props} />;
}
