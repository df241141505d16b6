import { Element, isTag, isText, type ChildNode, type ParentNode } from 'domhandler';
import { counted } from '../../language/index.js';
import { BringInError } from './refusal.js';
import type { Tally } from './report.js';

/** What a file may hold that is brought in: what a server reads in a minute, and a browser shows (measured; far above what is written). */
export const FILE_BOUNDS = {
  /** Elements and texts. */
  nodes: 1_500_000,
  links: 100_000,
  /** Elements in one another; those that nest deeper are flattened. */
  depth: 250,
} as const;

const WHY = 'they were nested too deep, and stand in the level above';

/** Counts what the files of one book hold, and flattens what no reader of trees can follow. */
export class Tidy {
  #nodes = 0;
  #links = 0;

  constructor(private readonly tally: Tally) {}

  /**
   * Looks through a tree, without ever following it by recursion.
   *
   * @throws BringInError when the book holds more than can be brought in
   */
  tree<Tree extends ParentNode>(tree: Tree): Tree {
    const open: { parent: ParentNode; depth: number }[] = [{ parent: tree, depth: 0 }];
    for (let next = open.pop(); next; next = open.pop()) {
      const { parent, depth } = next;
      this.#nodes += parent.children.length;
      if (this.#nodes > FILE_BOUNDS.nodes) throw tooMany(counted(FILE_BOUNDS.nodes, 'part', 'parts'));
      for (const child of parent.children) {
        if (!isTag(child)) continue;
        if (child.name === 'a' && ++this.#links > FILE_BOUNDS.links)
          throw tooMany(counted(FILE_BOUNDS.links, 'link', 'links'));
        if (depth < FILE_BOUNDS.depth) open.push({ parent: child, depth: depth + 1 });
        else if (child.children.some(isTag)) this.#flatten(child);
      }
    }
    return tree;
  }

  #flatten(element: Element): void {
    this.tally.add('changed', 'parts of the text', WHY);
    const flat: ChildNode[] = [];
    const open: ChildNode[] = [...element.children].reverse();
    for (let node = open.pop(); node; node = open.pop()) {
      if (!isTag(node)) {
        if (isText(node)) flat.push(node);
        continue;
      }
      const { id, href } = node.attribs;
      if (node.children.length === 0) flat.push(node);
      else if (href !== undefined || id !== undefined)
        flat.push(
          new Element('a', href === undefined ? { id: id ?? '' } : { href, ...(id ? { id } : {}) }, []),
        );
      open.push(...[...node.children].reverse());
    }
    element.children = flat;
    for (const child of flat) child.parent = element;
  }
}

const tooMany = (bound: string) =>
  new BringInError(
    'too-large',
    `This book has more than ${bound}, and that is more than can be brought in at once. Divide it into several files, by its chapters, and bring them in one by one.`,
  );
