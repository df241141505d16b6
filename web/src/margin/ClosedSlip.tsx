import type { Link } from '@vennet/core/manuscript';
import { goToLink } from '../editor/going/links.js';
import { linksIn } from '../editor/state/links.js';
import { useEditor } from '../editor/state/store.js';
import { destinationWords } from '../book/destination-words.js';
import { KindMark } from '../parts/KindMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { useBook, verdictFor } from '../book/store.js';

/** One line for one link: the mark of its verdict, its kind, and where it leads. Pressed, it opens at the caret. */
export function ClosedSlip({ link }: { link: Link }) {
  const places = useBook((store) => store.places);
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const findings = useBook((store) => store.findings.get(link.id));
  const surroundings = useBook((store) => store.surroundings);
  const { verdict } = verdictFor(link, { placeIds, verdicts, surroundings });
  const open = () => {
    const { view, chapter } = useEditor.getState();
    const current = view && linksIn(view.state.doc, chapter).find(({ id }) => id === link.id);
    if (!view || !current) return;
    goToLink(view, current);
  };
  const words = destinationWords(link.destination, { places, surroundings });
  return (
    <button
      type="button"
      onClick={open}
      title={link.kind === 'web' || link.kind === 'mail' ? link.href : words}
      className="flex h-[30px] w-full cursor-pointer items-center gap-2 border-l-2 border-line pl-2.5 text-left text-[0.88rem] hover:border-amber hover:bg-ground"
    >
      <VerdictMark verdict={verdict} />
      <KindMark kind={link.kind} />
      <span className="truncate">{words}</span>
      {findings?.[0] && <SeverityMark severity={findings[0].severity} />}
    </button>
  );
}
