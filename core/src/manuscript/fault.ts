import { Mark, Node, type Attrs, type AttributeSpec, type NodeType } from 'prosemirror-model';
import { faultInDestination } from '../destination/index.js';
import { faultInAbout } from './about.js';
import { faultInArea } from './area.js';
import { BOUNDS, faultInBounds, type Fault } from './bounds.js';
import { isId } from './id.js';
import { idsInAttrs } from './holders.js';
import { LEADING_NODES } from './inside-nodes.js';
import { faultInLook } from './look.js';
import { faultInSpot } from './page.js';
import { schema } from './schema.js';

/**
 * The first fault of a chapter's JSON, or `null` when it is a chapter. `bounded` is false for a text from before a bound was drawn, which can
 * still be written on.
 */
export function faultInChapter(json: unknown, bounded = true): Fault | null {
  if (!isObject(json) || json.type !== 'doc')
    return { path: '', message: 'a chapter is a node of type “doc”' };
  const seen = new Set<string>();
  const fault = faultInNode(json, '', 0, (id) => !seen.has(id) && Boolean(seen.add(id)), neighbour());
  if (fault) return fault;
  try {
    const doc = Node.fromJSON(schema, json);
    doc.check();
    return bounded ? faultInBounds(doc) : null;
  } catch (error) {
    return { path: '', message: (error as Error).message };
  }
}

type Json = Record<string, unknown>;
type FirstUse = (id: string) => boolean;
/** The link and the bookmarks that the inline node just before belongs to: their ids may go on over the next one. */
interface Neighbour {
  open: ReadonlySet<string>;
}
const neighbour = (): Neighbour => ({ open: new Set() });

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const step = (path: string, more: string) => (path === '' ? more : `${path}.${more}`);

function faultInNode(
  json: unknown,
  path: string,
  depth: number,
  first: FirstUse,
  before: Neighbour,
): Fault | null {
  if (!isObject(json)) return { path, message: 'a node must be an object' };
  if (depth > BOUNDS.depth) return { path, message: `nested deeper than ${BOUNDS.depth} levels` };
  const type = schema.nodes[String(json.type)];
  if (!type) return { path: step(path, 'type'), message: `unknown node type “${String(json.type)}”` };
  if (type.isText && (typeof json.text !== 'string' || json.text === ''))
    return { path: step(path, 'text'), message: 'a text node must have words' };
  return (
    faultInAttrs(json.attrs, type.spec.attrs, step(path, 'attrs')) ??
    faultInIds(type, json.attrs, step(path, 'attrs'), first) ??
    faultInMarks(json.marks, type, step(path, 'marks'), first, before) ??
    faultInContent(json.content, type, path, depth, first)
  );
}

function faultInIds(type: NodeType, attrs: unknown, path: string, first: FirstUse): Fault | null {
  if (!isObject(attrs)) return null;
  const faulty =
    type.name === 'figure'
      ? faultInFigure(attrs, path)
      : type.name === 'page'
        ? (faultInList(attrs.areas ?? [], step(path, 'areas'), faultInArea) ??
          faultInList(attrs.spots ?? [], step(path, 'spots'), faultInSpot))
        : null;
  if (faulty) return faulty;
  for (const { path: at, id } of idsInAttrs(type.name, attrs)) {
    const fault = faultInId(id, step(path, at), first);
    if (fault) return fault;
  }
  return null;
}

/** What is wrong with the links of a figure; their ids are looked at with all others. */
function faultInFigure({ link = null, areas = [] }: Json, path: string): Fault | null {
  const wrong = link === null ? null : faultInFigureLink(link, step(path, 'link'));
  if (wrong) return wrong;
  return faultInList(areas, step(path, 'areas'), faultInArea);
}

function faultInList(json: unknown, path: string, faultIn: (item: unknown) => Fault | null): Fault | null {
  if (!Array.isArray(json)) return { path, message: 'must be a list' };
  for (const [index, item] of json.entries()) {
    const here = `${path}[${index}]`;
    const fault = faultIn(item);
    if (fault) return { path: fault.path ? step(here, fault.path) : here, message: fault.message };
  }
  return null;
}

function faultInFigureLink(link: unknown, path: string): Fault | null {
  if (!isObject(link)) return { path, message: 'a figure’s link must be an object' };
  const wrong = faultInDestination(link.destination);
  if (wrong) return { path: step(path, 'destination'), message: wrong };
  if (typeof link.hoverNote !== 'string') return { path: step(path, 'hoverNote'), message: 'must be words' };
  const about = link.about == null ? null : faultInAbout(link.about);
  return about === null ? null : { path: step(path, 'about'), message: about };
}

function faultInId(id: unknown, path: string, first: FirstUse): Fault | null {
  if (typeof id !== 'string' || !isId(id))
    return { path, message: 'an id begins with a letter and holds letters, digits, “.”, “_” and “-”' };
  return first(id) ? null : { path, message: `the id “${id}” is used twice` };
}

function faultInMarks(
  json: unknown,
  node: NodeType,
  path: string,
  first: FirstUse,
  before: Neighbour,
): Fault | null {
  const { open } = before;
  const now = new Set<string>();
  before.open = now;
  if (json === undefined) return null;
  if (!Array.isArray(json)) return { path, message: 'marks must be a list' };
  for (const [index, mark] of json.entries()) {
    const here = `${path}[${index}]`;
    const type = isObject(mark) ? schema.marks[String(mark.type)] : undefined;
    if (!isObject(mark) || !type) return { path: here, message: 'unknown mark' };
    const attrs = step(here, 'attrs');
    const fault = faultInAttrs(mark.attrs, type.spec.attrs, attrs);
    if (fault) return fault;
    if (!isObject(mark.attrs) || !('id' in mark.attrs)) continue;
    if (type.name === 'link') {
      const wrong = faultInLink(mark.attrs, node, attrs);
      if (wrong) return wrong;
    }
    const { id } = mark.attrs;
    const idFault = faultInId(id, step(attrs, 'id'), (one) => open.has(one) || first(one));
    if (idFault) return idFault;
    now.add(String(id));
  }
  return null;
}

function faultInLink(attrs: Json, node: NodeType, path: string): Fault | null {
  if (LEADING_NODES.has(node.name))
    return { path, message: `a ${node.name} leads somewhere by itself and can’t be part of a link` };
  const wrong = faultInDestination(attrs.destination);
  if (wrong) return { path: step(path, 'destination'), message: wrong };
  const look = attrs.look == null ? null : faultInLook(attrs.look);
  if (look) return { path: step(path, 'look'), message: look };
  const about = attrs.about == null ? null : faultInAbout(attrs.about);
  return about ? { path: step(path, 'about'), message: about } : null;
}

function faultInContent(
  json: unknown,
  type: NodeType,
  path: string,
  depth: number,
  first: FirstUse,
): Fault | null {
  if (json !== undefined && !Array.isArray(json))
    return { path: step(path, 'content'), message: 'must be a list' };
  let match = type.contentMatch;
  const before = neighbour();
  for (const [index, child] of (json ?? []).entries()) {
    const here = `${step(path, 'content')}[${index}]`;
    const fault = faultInNode(child, here, depth + 1, first, before);
    if (fault) return fault;
    const kind = schema.nodes[String((child as Json).type)];
    const next = kind && match.matchType(kind);
    if (!next)
      return { path: here, message: `a ${String((child as Json).type)} can’t stand in a ${type.name}` };
    if (!type.allowsMarks(marksOf(child as Json)))
      return { path: here, message: `no marks are allowed in a ${type.name}` };
    match = next;
  }
  return match.validEnd ? null : { path: step(path, 'content'), message: `a ${type.name} is not complete` };
}

const marksOf = (json: Json): readonly Mark[] =>
  Array.isArray(json.marks) ? json.marks.map((mark) => Mark.fromJSON(schema, mark)) : [];

function faultInAttrs(
  json: unknown,
  specs: Record<string, AttributeSpec> | undefined,
  path: string,
): Fault | null {
  if (json != null && !isObject(json)) return { path, message: 'attributes must be an object' };
  const attrs: Attrs = json ?? {};
  for (const name of Object.keys(attrs))
    if (!specs || !(name in specs)) return { path: step(path, name), message: 'unknown attribute' };
  for (const [name, spec] of Object.entries(specs ?? {})) {
    if (!(name in attrs)) {
      if ('default' in spec) continue;
      return { path: step(path, name), message: 'is missing' };
    }
    const allowed = typeof spec.validate === 'string' ? spec.validate.split('|') : null;
    const kind = attrs[name] === null ? 'null' : typeof attrs[name];
    if (allowed && !allowed.includes(kind))
      return { path: step(path, name), message: `must be ${allowed.join(' or ')}, not ${kind}` };
  }
  return null;
}
