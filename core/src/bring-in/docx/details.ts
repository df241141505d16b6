import type { Document } from 'domhandler';
import { textOf } from '../book/xml.js';
import { NO_PUBLICATION, type Publication } from '../../manuscript/index.js';
import type { Said } from '../page/read-pages.js';

/** What the properties of a document say of the book (ECMA-376-2, 11): Dublin Core. */
export function saidIn(core: Document | null): Said {
  const text = (name: string) => (core ? textOf(core, name) : '');
  return {
    title: text('title'),
    author: text('creator'),
    language: text('language'),
    description: text('description'),
  };
}

/** Subjects and names of the book; `undefined` where nothing is said. */
export function publicationIn(core: Document | null): Publication | undefined {
  if (!core) return undefined;
  const subjects = [textOf(core, 'subject'), ...textOf(core, 'keywords').split(/[,;]/)]
    .map((one) => one.trim())
    .filter((one) => one !== '');
  const identifier = textOf(core, 'identifier');
  if (subjects.length === 0 && identifier === '') return undefined;
  return { ...NO_PUBLICATION, subjects, identifiers: identifier === '' ? [] : [identifier] };
}
