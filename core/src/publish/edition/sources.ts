import type { Node } from 'prosemirror-model';
import { hrefOf } from '../../destination/index.js';
import { phrases } from '../../language/index.js';
import { linksOf, schema, type ReadBook, type ReadChapter } from '../../manuscript/index.js';

/** The id of the chapter that lists the sources of a book. */
export const SOURCES = 'list-of-sources';

/** What was found of a page of the web when it was asked for last. */
export interface SeenPage {
  /** Empty where it has none. */
  title: string;
  /** ISO 8601. */
  seenAt: string;
}

/** A chapter that lists the pages of the web that a book leads to: title or words, site, and when it was seen; `null` without any. */
export function sourcesOf(book: ReadBook, seen: ReadonlyMap<string, SeenPage>): ReadChapter | null {
  const { language } = book;
  const said = phrases(language).sources;
  const words = new Map<string, string>();
  for (const { destination, text } of linksOf(book)) {
    if (destination.kind !== 'web') continue;
    const href = hrefOf(destination);
    if ((words.get(href) ?? '') === '') words.set(href, text.trim());
  }
  if (words.size === 0) return null;
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' });
  const items = [...words].map(([href, text], index): Node => {
    const page = seen.get(href);
    const { host } = new URL(href);
    const link = schema.marks.link.create({
      id: `source-${index + 1}`,
      destination: { kind: 'web', href },
    });
    const when = page ? said.seenOn(day.format(new Date(page.seenAt))) : '';
    const line = [schema.text(page?.title || text || host, [link]), schema.text(`, ${host}${when}`)];
    return schema.node('list_item', null, [schema.node('paragraph', null, line)]);
  });
  const doc = schema.node('doc', null, [
    schema.node('heading', { level: 1, uncounted: true }, [schema.text(said.title)]),
    schema.node('ordered_list', null, items),
  ]);
  return { id: SOURCES, title: said.title, matter: 'back', leftOutOf: [], doc };
}
