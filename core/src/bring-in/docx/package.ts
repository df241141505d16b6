import { parseDocument } from 'htmlparser2';
import type { Document, Element } from 'domhandler';
import { BringInError } from '../book/refusal.js';
import { decodeXml } from '../book/xml.js';
import { withinReach } from '../book/within-reach.js';
import { inside } from '../page/elements.js';

/** What a part of a package is related to (ECMA-376-2, 9.3). */
export interface Relation {
  /** The last step of its type: `hyperlink`, `image`, `footnotes`. */
  type: string;
  /** The path of the part, or the address of something outside. */
  target: string;
  isOutside: boolean;
}

/** The prefixes by which names are known here, by what their namespaces end in; transitional and strict ones alike. */
const PREFIXES: readonly [RegExp, string][] = [
  [/wordprocessingml\/(?:2006\/)?main$/, 'w'],
  [/officeDocument\/(?:2006\/)?relationships$/, 'r'],
  [/drawingml\/(?:2006\/)?main$/, 'a'],
  [/drawingml\/(?:2006\/)?wordprocessingDrawing$/, 'wp'],
  [/drawingml\/(?:2006\/)?picture$/, 'pic'],
  [/officeDocument\/(?:2006\/)?math$/, 'm'],
  [/2010\/wordprocessingShape$/, 'wps'],
  [/2010\/wordprocessingGroup$/, 'wpg'],
  [/2017\/decorative$/, 'adec'],
  [/2016\/SVG\/main$/, 'asvg'],
  [/markup-compatibility\/2006$/, 'mc'],
  [/office\/word\/2010\/wordml$/, 'w14'],
  [/^urn:schemas-microsoft-com:vml$/, 'v'],
  [/^urn:schemas-microsoft-com:office:office$/, 'o'],
];

/** The parts of a package of Office Open XML, and how they are related. */
export class Package {
  readonly #relations = new Map<string, Map<string, Relation>>();

  constructor(readonly files: ReadonlyMap<string, Uint8Array>) {}

  /** The path of the part that the package is about; empty where it says none. */
  get main(): string {
    const found = [...this.relationsOf('').values()].find(({ type }) => type === 'officeDocument');
    return found?.target ?? '';
  }

  /** @throws BringInError when it declares a document type, which no such part may have (ECMA-376-2, 8.1) */
  part(path: string): Document | null {
    const bytes = this.files.get(path);
    if (!bytes) return null;
    const text = decodeXml(bytes);
    if (/<!DOCTYPE/i.test(text.slice(0, 100_000)))
      throw new BringInError(
        'unsafe-path',
        `This file declares a document type (“${path}”), by which a file can reach outside itself, so it was not opened. Save it anew in the program that wrote it, and try again.`,
      );
    return withUsualPrefixes(withinReach(parseDocument(text, { xmlMode: true })));
  }

  /** The part that another is related to in this way. */
  related(path: string, type: string): { path: string; document: Document } | null {
    const target = [...this.relationsOf(path).values()].find((one) => one.type === type)?.target;
    const document = target === undefined ? null : this.part(target);
    return document && target !== undefined ? { path: target, document } : null;
  }

  relationsOf(path: string): ReadonlyMap<string, Relation> {
    const known = this.#relations.get(path);
    if (known) return known;
    const read = this.#read(path);
    this.#relations.set(path, read);
    return read;
  }

  #read(path: string): Map<string, Relation> {
    const folder = path.replace(/[^/]*$/, '');
    const document = this.part(`${folder}_rels/${path.slice(folder.length)}.rels`);
    const root = document && inside(document)[0];
    return new Map(
      (root ? inside(root) : []).map(({ attribs: { Id = '', Type = '', Target = '', TargetMode } }) => {
        const isOutside = TargetMode === 'External';
        const target = isOutside ? Target : pathWithin(folder, Target);
        return [Id, { type: Type.split('/').at(-1) ?? '', target, isOutside }];
      }),
    );
  }
}

function pathWithin(folder: string, target: string): string {
  const steps: string[] = [];
  for (const step of (target.startsWith('/') ? target : folder + target).split('/'))
    if (step === '..') steps.pop();
    else if (step !== '' && step !== '.') steps.push(step);
  return steps.join('/');
}

/** Names elements and attributes by the usual prefixes, where a file has others. */
function withUsualPrefixes(document: Document): Document {
  const root = inside(document)[0];
  if (!root) return document;
  const others = new Map<string, string>();
  for (const [name, value] of Object.entries(root.attribs)) {
    const prefix = /^xmlns(?::(.*))?$/.exec(name);
    const usual = PREFIXES.find(([namespace]) => namespace.test(value))?.[1];
    if (prefix && usual && (prefix[1] ?? '') !== usual) others.set(prefix[1] ?? '', usual);
  }
  if (others.size === 0) return document;
  const renamed = (name: string, isAttribute: boolean): string => {
    const [prefix, local] = name.includes(':') ? name.split(':', 2) : ['', name];
    const usual = prefix === '' && isAttribute ? undefined : others.get(prefix ?? '');
    return usual ? `${usual}:${local ?? ''}` : name;
  };
  const open: Element[] = [root];
  for (let one = open.pop(); one; one = open.pop()) {
    one.name = renamed(one.name, false);
    one.attribs = Object.fromEntries(
      Object.entries(one.attribs).map(([name, value]) => [renamed(name, true), value]),
    );
    open.push(...inside(one));
  }
  return document;
}
