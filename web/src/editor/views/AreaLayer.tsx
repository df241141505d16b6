import { snapped } from '@vennet/core/ground';
import {
  attrsOf,
  boxAround,
  boxBetween,
  saidOfArea,
  SMALLEST_ON_PAGE,
  SMALLEST_SIDE,
  withinPicture,
  type Box,
  type LinkArea,
} from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useRef, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';
import { askForSlip, unshutSlip } from '../state/slip.js';
import { areasOf, changeArea, removeArea } from '../changes/change-figures.js';
import { knownText } from '../../book/ground-file.js';
import { draftArea, moveDraftArea, openArea, useOpenArea } from '../state/open-area.js';

interface LayerProps {
  view: EditorView;
  getPos(): number | undefined;
  node: Node;
  selected: boolean;
}

interface Point {
  x: number;
  y: number;
}

/** A corner by the sides that move with it, or the whole box. */
type Grip = 'move' | 'nw' | 'ne' | 'sw' | 'se';
const CORNERS = ['nw', 'ne', 'sw', 'se'] as const;

/** What is being pulled: a box that is there, or a new one between two corners. */
interface Pull {
  id: string | null;
  grip: Grip | 'draw';
  from: Point;
  box: Box;
  now: Box;
}

/** One step of the arrow keys, and one with Alt, in shares of the picture. */
const STEP = 0.01;
const SMALL_STEP = 0.001;
/** A pull shorter than this is a press, in CSS px. */
const SHORTEST_PULL = 4;
/** How near an edge comes onto another, in CSS px. */
const SNAP = 6;

/** The link areas of a picture or a page: with their names while it is selected, faint otherwise. A page can be drawn on at any time. */
export function AreaLayer({ view, getPos, node, selected: isTold }: LayerProps) {
  const { area: openId, draft, isDrawing } = useOpenArea();
  const isPage = node.type.name === 'page';
  // The editor does not tell of what is selected from the start.
  const selected = isTold || (isPage && view.state.selection.from === getPos());
  const smallest = isPage ? SMALLEST_ON_PAGE : SMALLEST_SIDE;
  const layer = useRef<HTMLDivElement>(null);
  const [pull, setPull] = useState<Pull | null>(null);
  const areas = areasOf(node);

  const at = (event: PointerEvent): Point => {
    const box = layer.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const start = (event: PointerEvent, id: string | null, grip: Pull['grip'], box: Box) => {
    if (event.button !== 0) return;
    event.preventDefault();
    event.stopPropagation();
    layer.current?.setPointerCapture(event.pointerId);
    setPull({ id, grip, from: at(event), box, now: box });
  };
  const select = () => {
    const position = getPos();
    if (position === undefined || selected) return;
    view.dispatch(view.state.tr.setSelection(NodeSelection.create(view.state.doc, position)));
  };
  /** Where the pull has come to; on a page its edges come onto words, pictures, other areas and the edges of the page, but with Alt. */
  const boxNow = (event: PointerEvent, from: Pull): Box => {
    const box = boxOf(from, at(event), smallest);
    const sheet = layer.current?.getBoundingClientRect();
    if (!isPage || event.altKey || !sheet) return box;
    const text = knownText(attrsOf.page(node).number);
    const words = text?.lines.map((line) => boxAround(line)) ?? [];
    const others = areas.filter(({ id }) => id !== from.id);
    const reach = { across: SNAP / sheet.width, down: SNAP / sheet.height };
    return withinPicture(
      snapped(box, [...words, ...(text?.pictures ?? []), ...others], reach, from.grip === 'move'),
      smallest,
    );
  };
  const pulled = (event: PointerEvent) => {
    if (pull) setPull({ ...pull, now: boxNow(event, pull) });
  };
  const released = (event: PointerEvent) => {
    if (!pull) return;
    setPull(null);
    const now = boxNow(event, pull);
    const { x, y } = at(event);
    const { width = 0, height = 0 } = layer.current?.getBoundingClientRect() ?? {};
    const far = Math.hypot((x - pull.from.x) * width, (y - pull.from.y) * height) >= SHORTEST_PULL;
    if (pull.grip === 'draw') {
      if (far) return draftArea(now);
      openArea(null);
      // Pressed again, a picture whose slip was closed shows it.
      view.dispatch(unshutSlip(view.state.tr));
    } else if (pull.id === null) {
      if (far) moveDraftArea(now);
    } else {
      openArea(pull.id);
      if (far) changeArea(view, pull.id, now);
    }
  };
  const moveByKey = (event: KeyboardEvent, id: string | null, box: Box) => {
    const step = (event.altKey ? SMALL_STEP : STEP) * (isPage ? 0.5 : 1);
    const across = event.key === 'ArrowLeft' ? -step : event.key === 'ArrowRight' ? step : 0;
    const down = event.key === 'ArrowUp' ? -step : event.key === 'ArrowDown' ? step : 0;
    if (across !== 0 || down !== 0) {
      const { x, y, width, height } = box;
      const now = withinPicture(
        event.shiftKey
          ? { x, y, width: Math.min(width + across, 1 - x), height: Math.min(height + down, 1 - y) }
          : { x: x + across, y: y + down, width, height },
        smallest,
      );
      if (id) changeArea(view, id, now);
      else moveDraftArea(now);
    } else if (event.key === 'Enter') {
      if (id) openArea(id);
      view.dispatch(askForSlip(view.state.tr));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      if (id) removeArea(view, id);
      openArea(null);
      view.focus();
    } else if (event.key === 'Escape') {
      openArea(null);
      view.focus();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const shown = (id: string | null, box: Box) =>
    pull && pull.id === id && pull.grip !== 'draw' ? pull.now : box;
  const drawn = pull?.grip === 'draw' ? pull.now : draft;

  return (
    <div
      ref={layer}
      className="area-layer"
      data-selected={selected || undefined}
      data-page={isPage || undefined}
      data-drawing={(isPage && isDrawing) || undefined}
      onPointerDown={(event) => {
        if (!selected && !isPage) return;
        select();
        start(event, null, 'draw', { ...withinPicture({ ...at(event), width: 0, height: 0 }, smallest) });
      }}
      onPointerMove={pulled}
      onPointerUp={released}
      onPointerCancel={() => setPull(null)}
    >
      {isPage && <div className="area-ground" />}
      {areas.map((area) => (
        <AreaBox
          key={area.id}
          name={saidOfArea(area)}
          area={area}
          box={shown(area.id, area)}
          open={selected && area.id === openId}
          selected={selected || isPage}
          start={(event, grip) => {
            select();
            openArea(area.id);
            start(event, area.id, grip, area);
          }}
          focused={() => {
            select();
            openArea(area.id);
          }}
          pressed={(event) => moveByKey(event, area.id, area)}
        />
      ))}
      {selected && drawn && (
        <AreaBox
          name="New link area"
          box={draft ? shown(null, drawn) : drawn}
          open
          selected
          start={(event, grip) => start(event, null, grip, drawn)}
          pressed={(event) => moveByKey(event, null, drawn)}
        />
      )}
    </div>
  );
}

function boxOf({ grip, from, box }: Pull, to: Point, smallest: number): Box {
  if (grip === 'draw') return boxBetween(from, to, smallest);
  const [across, down] = [to.x - from.x, to.y - from.y];
  if (grip === 'move') return withinPicture({ ...box, x: box.x + across, y: box.y + down }, smallest);
  const left = box.x + (grip.includes('w') ? across : 0);
  const right = box.x + box.width + (grip.includes('e') ? across : 0);
  const top = box.y + (grip.includes('n') ? down : 0);
  const bottom = box.y + box.height + (grip.includes('s') ? down : 0);
  const inside = (share: number) => Math.min(1, Math.max(0, share));
  return boxBetween({ x: inside(left), y: inside(top) }, { x: inside(right), y: inside(bottom) }, smallest);
}

const percent = (share: number): string => `${share * 100}%`;

/** A line of words within the box of its link. */
function lineStyle(line: Box, area: Box): CSSProperties {
  return {
    left: percent((line.x - area.x) / area.width),
    top: percent((line.y - area.y) / area.height),
    width: percent(line.width / area.width),
    height: percent(line.height / area.height),
  };
}

/** A frame as it is drawn around an area; under words, a line. */
function frameStyle({ line, width, colour }: NonNullable<LinkArea['frame']>): CSSProperties {
  const drawn = `${width}pt ${line === 'under' ? 'solid' : line} ${colour}`;
  return line === 'under' ? { borderBottom: drawn } : { border: drawn };
}

interface BoxProps {
  name: string;
  area?: LinkArea;
  box: Box;
  open: boolean;
  selected: boolean;
  start(event: PointerEvent, grip: Grip): void;
  focused?(): void;
  pressed(event: KeyboardEvent): void;
}

function AreaBox({ name, area, box, open, selected, start, focused, pressed }: BoxProps) {
  const place: CSSProperties = {
    left: percent(box.x),
    top: percent(box.y),
    width: percent(box.width),
    height: percent(box.height),
  };
  const frame = area?.frame;
  return (
    <div
      role="button"
      tabIndex={selected ? 0 : -1}
      aria-label={`Link area: ${name || 'without a name'}`}
      aria-pressed={open}
      data-area={area?.id ?? 'new'}
      className="area-box"
      style={frame ? { ...place, ...frameStyle(frame) } : place}
      data-framed={frame ? '' : undefined}
      data-lines={(area?.lines?.length ?? 0) > 1 ? '' : undefined}
      data-open={open || undefined}
      onPointerDown={(event) => start(event, 'move')}
      onFocus={focused}
      onKeyDown={pressed}
    >
      {(area?.lines?.length ?? 0) > 1 &&
        area?.lines?.map((line, index) => <i key={index} aria-hidden="true" style={lineStyle(line, area)} />)}
      <span className="area-caption">{name || 'Without a name'}</span>
      {open &&
        CORNERS.map((corner) => (
          <span
            key={corner}
            aria-hidden="true"
            className="area-corner"
            data-corner={corner}
            onPointerDown={(event) => start(event, corner)}
          />
        ))}
    </div>
  );
}
