import type { Link } from '../../manuscript/index.js';
import { fileTold } from '../../reader/index.js';
import { toldIn, type Edition } from '../edition/edition.js';

/**
 * What the annotation of a link says (`Contents`, ISO 32000-1, table 164): the hover note, the name of a picture or of a part of
 * one, a file's type and size; of a link inside the file its words. Nothing where its address says all.
 */
export function saidOf(link: Link, edition: Edition): string {
  const name = link.about?.name
    ? link.about.name
    : link.carrier === 'text' && link.kind !== 'place'
      ? ''
      : link.text;
  const told = fileTold(link, toldIn(edition)) ?? '';
  return [name, told, link.hoverNote].filter((words) => words.trim() !== '').join('. ');
}
