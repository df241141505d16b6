import { pageName, pagesOf } from '@vennet/core/manuscript';
import { Link2, Minus, Plus, Redo2, SquareDashed, Undo2 } from 'lucide-react';
import { Toolbar } from 'radix-ui';
import { useState, type RefObject } from 'react';
import { NodeSelection } from 'prosemirror-state';
import { MIDDLE } from '../editor/changes/change-figures.js';
import { textCommands } from '../editor/keys.js';
import { draftArea, letDraw, useOpenArea } from '../editor/state/open-area.js';
import { askForSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { LookDialog } from '../choices/LookDialog.js';
import { useNotices } from '../parts/notices.js';
import { linkSelection } from './link-selection.js';
import { OughtDialog } from './OughtDialog.js';
import { toPage, usePageSeen } from './page-seen.js';
import { useSize } from './page-size.js';
import { Act, Gap, WaysThrough } from './ToolParts.js';

/** Steps of the size of pages, in percent. */
const SIZES = [25, 50, 75, 100, 125, 150, 200, 300, 400];

/** The short line of actions over the pages. */
export function PageLine({ scroller }: { scroller: RefObject<HTMLElement | null> }) {
  const { isDrawing } = useOpenArea();
  const { size } = useSize();
  const run = (command: (typeof textCommands)['undo']) => {
    const { view } = useEditor.getState();
    if (view) command(view.state, view.dispatch);
    view?.focus();
  };
  const link = () => {
    const { view } = useEditor.getState();
    if (view && !linkSelection(view))
      useNotices.getState().tell('Select words of a page first, or draw a link area where there are none.');
  };
  const drawByKey = () => {
    const { view } = useEditor.getState();
    const page = view && pagesOf(view.state.doc)[usePageSeen.getState().page - 1];
    if (!view || !page) return;
    draftArea(MIDDLE);
    const { tr } = view.state;
    view.dispatch(askForSlip(tr.setSelection(NodeSelection.create(tr.doc, page.at))));
  };
  const zoom = (direction: 1 | -1) => {
    const shown = scroller.current?.querySelector('.ground-sheet');
    const points = Number(shown instanceof HTMLElement ? shown.style.getPropertyValue('--page-pt') : 0);
    const now = points > 0 && shown ? (shown.clientWidth / ((points * 96) / 72)) * 100 : 100;
    const next =
      direction === 1 ? SIZES.find((one) => one > now + 1) : SIZES.findLast((one) => one < now - 1);
    if (next) useSize.setState({ size: next });
  };
  return (
    <Toolbar.Root
      aria-label="Actions on the pages"
      className="flex shrink-0 flex-wrap items-center gap-px border-b border-line bg-sheet px-5 py-1.5 max-sm:px-2"
    >
      <Toolbar.Button
        className="button mr-1"
        data-size="small"
        data-look="main"
        onMouseDown={(event) => event.preventDefault()}
        onClick={link}
      >
        <Link2 size={16} aria-hidden="true" /> Link
      </Toolbar.Button>
      <Toolbar.Button
        className="button"
        data-size="small"
        aria-pressed={isDrawing}
        onMouseDown={(event) => event.preventDefault()}
        // By key an area is put in the middle of the page, to be moved from there.
        onClick={(event) => (event.detail === 0 ? drawByKey() : letDraw(!isDrawing))}
      >
        <SquareDashed size={16} aria-hidden="true" /> Link area
      </Toolbar.Button>
      <Gap />
      <WaysThrough />
      <Gap />
      <PageNumber />
      <Gap />
      <Act words="Smaller" icon={Minus} act={() => zoom(-1)} />
      <select
        className="field !w-auto !py-0.5 text-sm"
        aria-label="Size of the pages"
        value={String(size)}
        onChange={({ target }) =>
          useSize.setState({
            size: target.value === 'width' || target.value === 'whole' ? target.value : Number(target.value),
          })
        }
      >
        <option value="width">As wide as fits</option>
        <option value="whole">Whole page</option>
        {SIZES.map((one) => (
          <option key={one} value={one}>
            {one} %
          </option>
        ))}
      </select>
      <Act words="Larger" icon={Plus} act={() => zoom(1)} />
      <Gap />
      <Act words="Undo" icon={Undo2} act={() => run(textCommands.undo)} />
      <Act words="Redo" icon={Redo2} act={() => run(textCommands.redo)} />
      <Gap />
      <OughtDialog />
      <LookDialog />
    </Toolbar.Root>
  );
}

/** Which page is seen, and a field to go to another one by its number or its name. */
function PageNumber() {
  const { page } = usePageSeen();
  const doc = useEditor((store) => store.state?.doc ?? null);
  const [typed, setTyped] = useState<string | null>(null);
  const pages = doc ? pagesOf(doc).map(({ attrs }) => attrs) : [];
  const here = pages[page - 1];
  const go = () => {
    const wanted = (typed ?? '').trim().toLowerCase();
    const found = pages.find((one) => pageName(one).toLowerCase() === wanted) ?? pages[Number(wanted) - 1];
    setTyped(null);
    if (found) toPage(found.number);
    else if (wanted !== '') useNotices.getState().tell(`There is no page “${wanted}”.`);
  };
  return (
    <label className="flex items-center gap-1.5 px-1 text-sm text-soft">
      Page
      <input
        className="field !w-14 !px-1.5 !py-0.5 text-center tabular-nums"
        value={typed ?? (here ? pageName(here) : '')}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && go()}
        onBlur={() => setTyped(null)}
      />
      of {pages.length}
      {here?.label ? ` (${here.number}.)` : ''}
    </label>
  );
}
