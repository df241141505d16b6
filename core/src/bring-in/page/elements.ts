import { Element, isTag, Text, type ChildNode, type ParentNode } from 'domhandler';

/** An element of a page, with what it holds. */
export function element(
  name: string,
  attribs: Record<string, string> = {},
  children: ChildNode[] = [],
): Element {
  const made = new Element(name, attribs, children);
  for (const child of children) child.parent = made;
  return made;
}

export const words = (text: string): Text => new Text(text);

export function put(parent: ParentNode, ...children: ChildNode[]): void {
  for (const child of children) {
    parent.children.push(child);
    child.parent = parent;
  }
}

/** The elements within another, in their order. */
export const inside = (parent: ParentNode): Element[] => parent.children.filter(isTag);

/** The first child of a name, as the source of a document has it: `w:pPr`. */
export const childNamed = (parent: ParentNode | null, name: string): Element | null =>
  parent?.children.find((child): child is Element => isTag(child) && child.name === name) ?? null;

/** What stands along a way of names below an element. */
export const below = (parent: ParentNode | null, ...names: string[]): Element | null =>
  names.reduce<ParentNode | null>((at, name) => childNamed(at, name), parent) as Element | null;
