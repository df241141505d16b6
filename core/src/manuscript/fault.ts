import { Mark, Node, type Attrs, type AttributeSpec, type MarkType, type NodeType } from 'prosemirror-model';
import { faultInDestination } from '../destination/index.js';
import { faultInArea } from './area.js';
import { isId } from './id.js';
import { LEADING_NODES, markIdOf } from './inside-nodes.js';
import { faultInLook } from './look.js';
import { schema } from './schema.js';

/** Where and why a chapter's JSON does not fit the schema. `path` reads like `content[2].marks[0].attrs.id`. */
export interface Fault {
  path: string;
  message: string;
}

const DEEPEST = 60;

/** The first fault of a chapter's JSON, or `null` when it is a chapter. */
export function faultInChapter(json: unknown): Fault | null {
  if (!isObject(json) || json.type !== 'doc')
    return { path: '', message: 'a chapter is a node of type “doc”' };
  const seen = new Set<string>();
  const fault = faultInNode(json, '', 0, (id) => !seen.has(id) && Boolean(seen.add(id)), neighbour());
  if (fault) return fault;
  try {
    Node.fromJSON(schema, json).check();
    return null;
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
  if (depth > DEEPEST) return { path, message: `nested deeper than ${DEEPEST} levels` };
  const type = schema.nodes[String(json.type)] as NodeType | undefined;
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
  if (attrs.id != null) {
    const fault = faultInId(attrs.id, step(path, 'id'), first);
    if (fault) return fault;
  }
  if (type.name === 'note') return faultInId(markIdOf(String(attrs.id)), step(path, 'id'), first);
  if (type.name !== 'figure') return null;
  return faultInFigureLink(attrs, path, first) ?? faultInAreas(attrs.areas ?? [], step(path, 'areas'), first);
}

function faultInAreas(areas: unknown, path: string, first: FirstUse): Fault | null {
  if (!Array.isArray(areas)) return { path, message: 'must be a list' };
  for (const [index, area] of areas.entries()) {
    const here = `${path}[${index}]`;
    const fault = faultInArea(area);
    if (fault) return { path: fault.path ? step(here, fault.path) : here, message: fault.message };
    const idFault = faultInId((area as Json).id, step(here, 'id'), first);
    if (idFault) return idFault;
  }
  return null;
}

function faultInFigureLink(attrs: Json, path: string, first: FirstUse): Fault | null {
  if (attrs.link == null) return null;
  if (!isObject(attrs.link))
    return { path: step(path, 'link'), message: 'a figure’s link must be an object' };
  const link = step(path, 'link');
  const wrong = faultInDestination(attrs.link.destination);
  if (wrong) return { path: step(link, 'destination'), message: wrong };
  if (typeof attrs.link.hoverNote !== 'string')
    return { path: step(link, 'hoverNote'), message: 'must be words' };
  return faultInId(attrs.link.id, step(link, 'id'), first);
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
    const type = isObject(mark) ? (schema.marks[String(mark.type)] as MarkType | undefined) : undefined;
    if (!isObject(mark) || !type) return { path: here, message: 'unknown mark' };
    const attrs = step(here, 'attrs');
    const fault = faultInAttrs(mark.attrs, type.spec.attrs, attrs);
    if (fault) return fault;
    if (!isObject(mark.attrs) || !('id' in mark.attrs)) continue;
    if (type.name === 'link') {
      const wrong = faultInLink(mark.attrs, node, attrs);
      if (wrong) return wrong;
    }
    const id = mark.attrs.id as string;
    const idFault = faultInId(id, step(attrs, 'id'), (one) => open.has(one) || first(one));
    if (idFault) return idFault;
    now.add(id);
  }
  return null;
}

function faultInLink(attrs: Json, node: NodeType, path: string): Fault | null {
  if (LEADING_NODES.has(node.name))
    return { path, message: `a ${node.name} leads somewhere by itself and can’t be part of a link` };
  const wrong = faultInDestination(attrs.destination);
  if (wrong) return { path: step(path, 'destination'), message: wrong };
  const look = attrs.look == null ? null : faultInLook(attrs.look);
  return look ? { path: step(path, 'look'), message: look } : null;
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
    const next = match.matchType(schema.nodes[String((child as Json).type)]);
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
