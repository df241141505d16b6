import { attrsOf, noteMarkOf, type ContentsList } from '../../manuscript/index.js';
import { targetIn, type Edition } from './edition.js';

const known = new WeakMap<Edition, Set<string>>();

/** The places of an edition to which anything in it leads. */
export function placesLedTo(edition: Edition): ReadonlySet<string> {
  const read = known.get(edition) ?? readPlaces(edition);
  known.set(edition, read);
  return read;
}

function readPlaces(edition: Edition): Set<string> {
  const led = new Set<string>();
  for (const { destination } of edition.links) {
    const target = targetIn(edition, destination);
    if (target && 'place' in target) led.add(target.place);
  }
  for (const { doc } of edition.book.chapters)
    doc.descendants((node) => {
      const { id } = attrsOf.inside(node);
      switch (node.type.name) {
        case 'reference':
          led.add(attrsOf.reference(node).place);
          break;
        case 'note_mark':
          led.add(noteMarkOf(node).of);
          break;
        case 'contents':
          for (const place of placesIn(edition.map.contents.get(id))) led.add(place);
          break;
        case 'return_link':
          for (const { to } of edition.returnsOf(node)) led.add(to);
          break;
        default:
      }
    });
  return led;
}

/** What a list of contents lists, and the section that it is about. */
const placesIn = (list: ContentsList | undefined): string[] => [
  ...(list?.section ? [list.section] : []),
  ...(list?.lines ?? []).map(({ place }) => place),
];
