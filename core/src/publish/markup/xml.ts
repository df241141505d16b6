const NAMES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Words as they stand in XML text and attributes; characters that XML 1.0 forbids (2.2) are dropped. */
export function escapeXml(words: string): string {
  return words
    .toWellFormed()
    .replace(FORBIDDEN, '')
    .replace(/[&<>"]/g, (sign) => NAMES[sign] ?? '');
}

// eslint-disable-next-line no-control-regex -- the control characters are what is looked for
const FORBIDDEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;

/** An element; attributes that are null are left out, and an element without content closes itself. */
export function element(name: string, attributes: Record<string, string | null>, content = ''): string {
  let opened = `<${name}`;
  for (const [key, value] of Object.entries(attributes))
    if (value !== null) opened += ` ${key}="${escapeXml(value)}"`;
  return content === '' && VOID.has(name) ? `${opened}/>` : `${opened}>${content}</${name}>`;
}

const VOID = new Set(['br', 'hr', 'img', 'link', 'meta', 'item', 'itemref']);
