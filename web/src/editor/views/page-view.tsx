import { attrsOf, pageName, type PageSpot } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView, NodeView } from 'prosemirror-view';
import { createRoot, type Root } from 'react-dom/client';
import { drawPage } from '../../parts/pdfjs.js';
import { groundOpen, pageText } from '../../book/ground-file.js';
import { openArea } from '../state/open-area.js';
import { useEditor } from '../state/store.js';
import { mint } from '../state/mint.js';
import { isPointing, stopPointing, usePointing } from '../state/pointing.js';
import { AreaLayer } from './AreaLayer.js';
import { watchSheet, type Sheet } from './pages-in-sight.js';
import { fillTextLayer, wordsAt } from './text-layer.js';

/** A sharper picture than this costs more than it shows, in pixels across. */
const SHARPEST = 3_000;

/** A page of a finished file: drawn as it is, its words to be selected over it, and over these its link areas. */
export class PageView implements NodeView, Sheet {
  readonly dom = document.createElement('section');
  readonly #sheet = document.createElement('div');
  readonly #canvas = document.createElement('canvas');
  readonly #words = document.createElement('div');
  readonly #layer = document.createElement('div');
  #root: Root | null = null;
  #node: Node;
  #selected = false;
  #drawn = 0;
  #stop: (() => void) | null = null;
  readonly #resized: ResizeObserver;

  constructor(
    node: Node,
    readonly view: EditorView,
    readonly getPos: () => number | undefined,
  ) {
    this.#node = node;
    const { number, label, width, height } = attrsOf.page(node);
    this.dom.className = 'ground-page';
    this.dom.contentEditable = 'false';
    this.dom.dataset.page = String(number);
    this.dom.setAttribute('aria-label', `Page ${pageName({ number, label })}`);
    this.#sheet.className = 'ground-sheet';
    this.#sheet.style.aspectRatio = `${width} / ${height}`;
    this.#sheet.style.setProperty('--page-pt', String(width));
    this.#words.className = 'ground-words';
    this.#canvas.setAttribute('aria-hidden', 'true');
    this.#sheet.append(this.#canvas, this.#words, this.#layer);
    this.dom.append(this.#sheet);
    this.dom.addEventListener('mousedown', this.#pressed);
    watchSheet(this.dom, this);
    this.#resized = new ResizeObserver(() => {
      if (this.#root && this.#drawn > 0) void this.#draw();
    });
    this.#resized.observe(this.#sheet);
  }

  update(node: Node): boolean {
    if (node.type !== this.#node.type || node.attrs.number !== this.#node.attrs.number) return false;
    this.#node = node;
    this.#drawAreas();
    return true;
  }

  selectNode(): void {
    this.#selected = true;
    this.#drawAreas();
  }

  deselectNode(): void {
    this.#selected = false;
    this.#drawAreas();
  }

  stopEvent(event: Event): boolean {
    // Keys are for the editor, unless an area has them.
    return !(event instanceof KeyboardEvent) || (event.target as Element).closest('.area-box') !== null;
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    this.#resized.disconnect();
    this.show(false);
  }

  /** Comes into sight or goes out of it: pages that can't be seen hold nothing. */
  show(isSeen: boolean): void {
    if (isSeen === (this.#root !== null)) return;
    if (isSeen) {
      this.#root = createRoot(this.#layer);
      this.#drawAreas();
      void this.#draw();
      const attrs = attrsOf.page(this.#node);
      pageText(attrs.number).then(
        (text) => whenIdle(() => this.#root && fillTextLayer(this.#words, text, attrs)),
        () => {},
      );
    } else {
      this.#stop?.();
      this.#stop = null;
      this.#drawn = 0;
      this.#canvas.width = this.#canvas.height = 0;
      this.#words.replaceChildren();
      const root = this.#root;
      this.#root = null;
      // React may be drawing just now.
      setTimeout(() => root?.unmount());
    }
  }

  #drawAreas(): void {
    this.#root?.render(
      <AreaLayer view={this.view} getPos={this.getPos} node={this.#node} selected={this.#selected} />,
    );
  }

  async #draw(): Promise<void> {
    const wide = Math.min(SHARPEST, Math.round(this.#sheet.clientWidth * window.devicePixelRatio));
    if (wide === 0 || wide === this.#drawn) return;
    this.#drawn = wide;
    try {
      const file = await groundOpen();
      const page = await file.getPage(attrsOf.page(this.#node).number);
      if (this.#drawn !== wide) return;
      // What was drawn stays in sight until the new picture is there.
      const fresh = document.createElement('canvas');
      this.#stop?.();
      const drawing = drawPage(page, fresh, wide, WITHOUT_LINKS);
      this.#stop = () => drawing.cancel();
      await drawing.promise;
      if (this.#drawn !== wide) return;
      this.#canvas.width = fresh.width;
      this.#canvas.height = fresh.height;
      this.#canvas.getContext('2d')?.drawImage(fresh, 0, 0);
      this.dom.dataset.drawn = '';
    } catch (error) {
      if ((error as Error).name === 'RenderingCancelledException') return;
      this.#drawn = 0;
      this.dom.dataset.faulty = '';
    }
  }

  readonly #pressed = (event: MouseEvent): void => {
    const position = this.getPos();
    if (event.button !== 0 || position === undefined) return;
    if (isPointing()) return this.#pointedAt(event);
    const target = event.target as Element;
    // Words are selected by the browser, and nothing comes between.
    if (target.closest('.ground-words span')) return openArea(null);
    const { tr } = this.view.state;
    if (!this.#selected) {
      if (!target.closest('.area-box')) openArea(null);
      this.view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, position)));
    }
  };

  /** The spot of the page that was pressed becomes what a link leads to. */
  #pointedAt(event: MouseEvent): void {
    event.preventDefault();
    event.stopPropagation();
    const { left, top, width, height } = this.#sheet.getBoundingClientRect();
    const { take } = usePointing.getState();
    stopPointing();
    const [x, y] = [(event.clientX - left) / width, (event.clientY - top) / height];
    const { id: page, number, label } = attrsOf.page(this.#node);
    const words =
      wordsAt(this.#words, event.clientX, event.clientY) || `a spot of page ${pageName({ number, label })}`;
    const spot: PageSpot = { id: mint(), name: words.slice(0, 80), x: shareAt(x), y: shareAt(y), zoom: null };
    take?.({ onPage: { chapter: useEditor.getState().chapter, page, spot } });
  }
}

/** Does something when nothing else is to be done, and soon in any case; not every browser tells. */
const whenIdle = (work: () => void): void =>
  void ('requestIdleCallback' in window ? requestIdleCallback(work, { timeout: 500 }) : setTimeout(work));

const shareAt = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 10_000) / 10_000;

/** Links are Vennet's to draw; all else of a page is drawn (pdf.js: `AnnotationMode.DISABLE`). */
const WITHOUT_LINKS = 0;
