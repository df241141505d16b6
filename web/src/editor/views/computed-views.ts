import { attrsOf, lookStyle, noteMarkOf, type ContentsLine } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorView, NodeView, NodeViewConstructor } from 'prosemirror-view';
import { ownWords, useBook } from '../../book/store.js';
import { returnWords, saidBy } from '../../book/said.js';
import { FormulaView } from './formula-view.js';

/** A node whose look follows from the whole book: it is drawn anew when what is known of the book changes. */
abstract class ComputedView implements NodeView {
  readonly dom: HTMLElement;
  readonly #stop: () => void;

  constructor(
    tag: string,
    name: string,
    protected node: Node,
  ) {
    this.dom = document.createElement(tag);
    this.dom.className = name;
    this.dom.contentEditable = 'false';
    this.#stop = useBook.subscribe(() => this.draw());
  }

  abstract draw(): void;

  update(node: Node): boolean {
    if (node.type !== this.node.type) return false;
    this.node = node;
    this.draw();
    return true;
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    this.#stop();
  }

  /** Writes words only where they differ: most changes of the book change nothing here. */
  protected write(words: string, gone: boolean): void {
    if (this.dom.textContent !== words) this.dom.textContent = words;
    this.dom.classList.toggle('is-gone', gone);
  }
}

/** The mark of a note: its number. */
class MarkView extends ComputedView {
  constructor(node: Node) {
    super('sup', 'note-mark', node);
    this.draw();
  }

  draw(): void {
    const { id, of } = noteMarkOf(this.node);
    const isFirst = this.node.type.name === 'note';
    const note = useBook.getState().notes.get(of);
    this.dom.id = id;
    this.write(note?.number || (isFirst ? '…' : '?'), !isFirst && !note);
    this.dom.title = note ? `${ownWords().note} ${note.number}` : '';
  }
}

/** A reference: the words that it reads now. */
class ReferenceView extends ComputedView {
  constructor(node: Node) {
    super('span', 'reference', node);
    this.draw();
  }

  draw(): void {
    const words = saidBy(this.node);
    const known = useBook.getState().places;
    const gone = known.size > 0 && !known.has(attrsOf.reference(this.node).place);
    this.write(words || (gone ? 'a place that is not there' : '…'), gone);
  }
}

class ReturnView extends ComputedView {
  constructor(node: Node) {
    super('span', 'return-link', node);
    this.draw();
  }

  draw(): void {
    this.write(returnWords(this.node), false);
  }
}

/** A computed list of contents. A line that is pressed leads to its heading. */
class ContentsView extends ComputedView {
  #shown: readonly ContentsLine[] | null = null;

  constructor(
    node: Node,
    readonly follow: (place: string) => void,
  ) {
    super('div', 'contents-list', node);
    this.dom.addEventListener('click', this.#pressed);
    this.draw();
  }

  draw(): void {
    const { id, look } = attrsOf.contents(this.node);
    this.dom.id = id;
    this.dom.style.cssText = look ? lookStyle(look) : '';
    const lines = useBook.getState().contents.get(id)?.lines ?? [];
    if (this.#shown && JSON.stringify(this.#shown) === JSON.stringify(lines)) return;
    this.#shown = lines;
    if (lines.length > 0) this.dom.replaceChildren(...lines.map(lineElement));
    else this.dom.textContent = 'There is no heading to list here yet.';
  }

  override destroy(): void {
    this.dom.removeEventListener('click', this.#pressed);
    super.destroy();
  }

  readonly #pressed = (event: MouseEvent): void => {
    const place = (event.target as HTMLElement).closest<HTMLElement>('[data-place]')?.dataset.place;
    if (place && (event.ctrlKey || event.metaKey)) this.follow(place);
  };
}

function lineElement({ place, label, words, depth }: ContentsLine): HTMLElement {
  const line = document.createElement('div');
  line.className = 'contents-line';
  line.style.paddingLeft = `${(depth - 1) * 1.2}em`;
  line.dataset.place = place;
  line.textContent = label ? `${label} ${words}` : words;
  return line;
}

/** The views of everything that is computed. `follow` goes to a place of the book. */
export function computedViews(follow: (place: string) => void): Record<string, NodeViewConstructor> {
  return {
    note: (node: Node) => new MarkView(node),
    note_mark: (node: Node) => new MarkView(node),
    reference: (node: Node) => new ReferenceView(node),
    return_link: (node: Node) => new ReturnView(node),
    contents: (node: Node, _view: EditorView) => new ContentsView(node, follow),
    formula: (node: Node) => new FormulaView(node),
  };
}
