import type { Node } from 'prosemirror-model';
import { attrsOf } from './attrs.js';

/** A heading of a chapter with all that follows it up to the next one of its level or above. Positions in the doc. */
export interface Section {
  /** The id of its heading. */
  id: string | null;
  level: number;
  from: number;
  to: number;
}

/** The sections of a chapter in their order, by the headings that stand in the flow of the text itself. */
export function sectionsOf(doc: Node): Section[] {
  const sections: Section[] = [];
  const open: Section[] = [];
  doc.forEach((node, offset) => {
    if (node.type.name !== 'heading') return;
    const { id, level } = attrsOf.heading(node);
    while ((open.at(-1)?.level ?? 0) >= level) close(open, offset);
    const section = { id, level, from: offset, to: doc.content.size };
    sections.push(section);
    open.push(section);
  });
  return sections;
}

function close(open: Section[], at: number): void {
  const section = open.pop();
  if (section) section.to = at;
}
