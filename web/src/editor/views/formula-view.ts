import { MATHML, partsOfFormula, type Part } from '@vennet/core/cleaning';
import { attrsOf } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { NodeView } from 'prosemirror-view';

/** A formula as the browser sets it; its words where it can't be read. */
export class FormulaView implements NodeView {
  readonly dom = document.createElement('span');

  constructor(node: Node) {
    const { mathml, words } = attrsOf.formula(node);
    const root = partsOfFormula(mathml);
    this.dom.className = 'formula';
    this.dom.contentEditable = 'false';
    this.dom.title = words;
    if (root) this.dom.append(elementOf(root));
    else this.dom.textContent = words;
  }

  ignoreMutation(): boolean {
    return true;
  }
}

function elementOf({ name, attributes, children }: Part): Element {
  const element = document.createElementNS(MATHML, name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
  element.append(...children.map((child) => (typeof child === 'string' ? child : elementOf(child))));
  return element;
}
