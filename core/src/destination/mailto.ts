/** What a `mailto:` address can carry (RFC 6068). `body` has line feeds (`\n`) between its lines. */
export interface MailDestination {
  kind: 'mail';
  to: string[];
  cc: string[];
  bcc: string[];
  subject: string;
  body: string;
}

/** What a `mailto:` address said, and the header fields of it that are not carried on. */
export interface MailtoReading {
  destination: MailDestination;
  dropped: string[];
}

/**
 * Characters that RFC 6068 section 2 lets stand unencoded in an address, beside letters and digits:
 * `some-delims` without those that would end the address, plus `unreserved`, `:` and `@`.
 */
const ADDRESS_SAFE = /[A-Za-z0-9\-._~!$'()*+:@]/;
const FIELD_SAFE = /[A-Za-z0-9\-._~!$'()*+,:@/?]/;

/** True for an RFC 5322 addr-spec: dot-atom or quoted string, `@`, domain or domain literal. */
export function isMailAddress(text: string): boolean {
  return /^(?:"(?:[^"\\\r\n]|\\[^\r\n])+"|[^\s"(),:;<>@[\\\]]+)@(?:\[[^\]\s]+\]|[^\s"(),:;<>@[\\\]]+)$/u.test(
    text,
  );
}

/**
 * Reads a `mailto:` address (RFC 6068) into its fields. A `+` stays a plus. Fields other than
 * to, cc, bcc, subject and body are unsafe to hand to a mail program (section 4) and are named in `dropped`.
 * Returns `null` when the address can't be read.
 */
export function parseMailto(address: string): MailtoReading | null {
  const match = /^mailto:([^?#]*)(?:\?([^#]*))?/i.exec(address.trim());
  if (!match) return null;
  const dropped: string[] = [];
  const destination: MailDestination = { kind: 'mail', to: [], cc: [], bcc: [], subject: '', body: '' };
  try {
    destination.to.push(...splitAddresses(match[1] ?? ''));
    for (const field of (match[2] ?? '').split('&')) {
      if (field === '') continue;
      const at = field.indexOf('=');
      const name = decodeURIComponent(at < 0 ? field : field.slice(0, at)).toLowerCase();
      const value = at < 0 ? '' : field.slice(at + 1);
      if (name === 'to' || name === 'cc' || name === 'bcc') destination[name].push(...splitAddresses(value));
      else if (name === 'subject') destination.subject = decodeURIComponent(value);
      else if (name === 'body') destination.body = decodeURIComponent(value).replace(/\r\n?/g, '\n');
      else dropped.push(name);
    }
  } catch {
    return null; // a percent sign that begins no octet
  }
  const everyone = [...destination.to, ...destination.cc, ...destination.bcc];
  return everyone.every(isMailAddress) ? { destination, dropped } : null;
}

/** Commas between addresses stand bare; a comma within one is percent-encoded (RFC 6068 section 2). */
function splitAddresses(list: string): string[] {
  return list
    .split(',')
    .filter((one) => one.trim() !== '')
    .map((one) => decodeURIComponent(one).trim());
}

/** Writes the fields as a `mailto:` address. The lines of the body are joined by `%0D%0A`. */
export function formatMailto(mail: MailDestination): string {
  const list = (addresses: string[]) => addresses.map((one) => encode(one, ADDRESS_SAFE)).join(',');
  const fields = [
    mail.subject && `subject=${encode(mail.subject, FIELD_SAFE)}`,
    mail.cc.length > 0 && `cc=${list(mail.cc)}`,
    mail.bcc.length > 0 && `bcc=${list(mail.bcc)}`,
    mail.body && `body=${encode(mail.body.replace(/\r\n?|\n/g, '\r\n'), FIELD_SAFE)}`,
  ].filter((field): field is string => typeof field === 'string' && field !== '');
  return `mailto:${list(mail.to)}${fields.length > 0 ? `?${fields.join('&')}` : ''}`;
}

function encode(text: string, safe: RegExp): string {
  let written = '';
  for (const character of text.toWellFormed())
    written += safe.test(character) ? character : encodeURIComponent(character);
  return written;
}

/** Where one written address ends and the next begins: a comma or semicolon outside quotation marks and brackets. */
const BETWEEN_ADDRESSES = /[,;](?=(?:[^"]*"[^"]*")*[^"]*$)(?![^<]*>)/;

/**
 * The addresses in what people type or paste: one or more, with or without a name before them
 * (`Ada Lamp <ada@lamp.example>; office@lamp.example`; RFC 5322 section 3.4). `null` when any part is no address.
 */
export function mailAddressesIn(typed: string): string[] | null {
  const parts = typed
    .split(BETWEEN_ADDRESSES)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const addresses = parts.map((part) => /^[^<>]*<\s*([^<>\s]+)\s*>$/.exec(part)?.[1] ?? part);
  return addresses.length > 0 && addresses.every(isMailAddress) ? addresses : null;
}
