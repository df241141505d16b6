import { beginsPage } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView, NodeView } from 'prosemirror-view';
import { createRoot, type Root } from 'react-dom/client';
import { enclosureFile } from '@vennet/client';
import { AreaLayer } from './AreaLayer.js';
import { openArea } from '../state/open-area.js';
import { unshutSlip } from '../state/slip.js';

/** A picture in the text: the picture with its link areas over it, and its caption. Pressed, it is selected. */
export class FigureView implements NodeView {
  readonly dom = document.createElement('figure');
  readonly contentDOM = document.createElement('div');
  readonly #frame = document.createElement('div');
  readonly #image = document.createElement('img');
  readonly #layer = document.createElement('div');
  readonly #root: Root;
  #node: Node;
  #selected = false;

  constructor(
    node: Node,
    readonly view: EditorView,
    readonly getPos: () => number | undefined,
  ) {
    this.#node = node;
    this.#frame.className = 'picture-frame';
    this.#frame.contentEditable = 'false';
    this.#image.draggable = false;
    this.#frame.append(this.#image, this.#layer);
    this.dom.append(this.#frame, this.contentDOM);
    this.#frame.addEventListener('mousedown', this.#select);
    this.#root = createRoot(this.#layer);
    this.#draw();
  }

  update(node: Node): boolean {
    if (node.type !== this.#node.type) return false;
    this.#node = node;
    this.#draw();
    return true;
  }

  selectNode(): void {
    this.#selected = true;
    this.#draw();
  }

  deselectNode(): void {
    this.#selected = false;
    this.#draw();
  }

  /** What is done to the areas is not for the text; pressing the picture selects it by our own hand. */
  stopEvent(event: Event): boolean {
    return this.#frame.contains(event.target as globalThis.Node);
  }

  ignoreMutation(mutation: { type: string; target: globalThis.Node }): boolean {
    return mutation.type !== 'selection' && !this.contentDOM.contains(mutation.target);
  }

  destroy(): void {
    this.#frame.removeEventListener('mousedown', this.#select);
    // React may be drawing just now.
    setTimeout(() => this.#root.unmount());
  }

  #draw(): void {
    const { id, enclosure, alt, decorative, width } = this.#node.attrs;
    if (id) this.dom.id = id as string;
    const source = enclosureFile(enclosure as string);
    if (!this.#image.src.endsWith(source)) this.#image.src = source;
    this.#image.alt = decorative ? '' : (alt as string);
    this.#frame.style.width = width === null ? '' : `${String(width)}%`;
    this.dom.toggleAttribute('data-new-page', beginsPage(this.#node));
    this.dom.classList.toggle('is-selected', this.#selected);
    this.dom.classList.toggle('lacks-words', !decorative && alt === '');
    this.#root.render(
      <AreaLayer view={this.view} getPos={this.getPos} node={this.#node} selected={this.#selected} />,
    );
  }

  readonly #select = (event: MouseEvent): void => {
    const position = this.getPos();
    if (event.button !== 0 || position === undefined) return;
    const { tr } = this.view.state;
    // Pressed again, a picture whose slip was closed shows it.
    if (this.#selected) return this.view.dispatch(unshutSlip(tr));
    event.preventDefault();
    openArea(null);
    this.view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, position)));
    this.view.focus();
  };
}
