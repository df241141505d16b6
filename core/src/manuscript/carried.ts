import type { Attrs, NodeSpec } from 'prosemirror-model';

/** What is pasted may come from anywhere, so its JSON is looked at like what comes over the network. */
export function parsed(json: string | null | undefined): unknown {
  try {
    return JSON.parse(json ?? 'null') as unknown;
  } catch {
    return null;
  }
}

/** Attributes on their way through the clipboard: all of them as one JSON text. */
export const carried = (attrs: Attrs): string => JSON.stringify(attrs);

/** The attributes that came through the clipboard; `false` when they do not fit the node. */
export function uncarried(
  json: string | null | undefined,
  specs: NonNullable<NodeSpec['attrs']>,
): Attrs | false {
  const read = parsed(json);
  if (typeof read !== 'object' || read === null) return false;
  const attrs: Record<string, unknown> = {};
  for (const [name, { default: otherwise, validate }] of Object.entries(specs)) {
    const value: unknown = name in read ? (read as Attrs)[name] : otherwise;
    if (!fits(value, validate)) return false;
    attrs[name] = value;
  }
  return attrs;
}

function fits(value: unknown, validate: string | ((value: unknown) => void) | undefined): boolean {
  if (value === undefined) return false;
  if (typeof validate === 'string')
    return validate.split('|').includes(value === null ? 'null' : typeof value);
  try {
    validate?.(value);
    return true;
  } catch {
    return false;
  }
}
