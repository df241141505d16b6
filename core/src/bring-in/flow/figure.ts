import { Fragment, type Node } from 'prosemirror-model';
import {
  attrsOf,
  figureParts,
  linkHeldBy,
  schema,
  type FigureLink,
  type LinkArea,
} from '../../manuscript/index.js';

/** A figure of a picture that stood alone, with its link and areas; ids beyond the first stand in its caption. */
export function figureOf(picture: Node, ids: string[], areas: LinkArea[], width: number | null): Node {
  const { enclosure, alt, decorative } = attrsOf.picture(picture);
  const held = linkHeldBy(picture);
  const link: FigureLink | null = held && {
    id: held.id,
    destination: held.destination,
    hoverNote: held.hoverNote,
    ...(held.about ? { about: held.about } : {}),
  };
  const more = ids.slice(1).map((id) => schema.node('anchor', { id }));
  const caption = more.length > 0 ? [schema.node('caption', null, more)] : [];
  return schema.node(
    'figure',
    { id: ids[0] ?? null, enclosure, alt, decorative, link, areas, width },
    caption,
  );
}

/** The figure with words under it, after the ids that stand in its caption already, and with its credit. */
export function withWords(figure: Node, words: Node[], credit: Node[]): Node {
  const said = [...(figureParts(figure).caption?.children ?? []), ...words];
  const parts = [
    ...(said.length > 0 ? [schema.node('caption', null, said)] : []),
    ...(credit.length > 0 ? [schema.node('credit', null, credit)] : []),
  ];
  return figure.copy(Fragment.from(parts));
}
