import { Fragment, type Node } from 'prosemirror-model';
import { attrsOf, linkHeldBy, schema, type FigureLink, type LinkArea } from '../../manuscript/index.js';

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

/** The figure with words under it, after the ids that stand in its caption already. */
export function withCaption(figure: Node, words: Node[]): Node {
  const ids = figure.firstChild?.children ?? [];
  return figure.copy(Fragment.from(schema.node('caption', null, [...ids, ...words])));
}
