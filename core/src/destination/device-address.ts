/** A telephone number or a spot on the earth: what a phone or a map takes, without asking the network. */
export interface DeviceAddress {
  scheme: 'tel' | 'geo';
  /** As it is written in a file. */
  href: string;
  /** The number, or latitude and longitude, as a person reads them. */
  words: string;
  /** What is amiss for some readers; empty where nothing is. */
  doubt: string;
}

/**
 * Reads `tel:` (RFC 3966) and `geo:` (RFC 5870) addresses; `null` for what is neither. Spaces that stand in a number by mistake
 * go, as does what maps add after a `?`.
 */
export function parseDeviceAddress(address: string): DeviceAddress | null {
  const match = /^\s*(tel|geo):(.*)$/is.exec(address);
  if (!match) return null;
  const [, scheme = '', rest = ''] = match;
  const plain = unescaped(rest.trim());
  if (plain === null) return null;
  return scheme.toLowerCase() === 'tel' ? telephone(plain) : spot(plain);
}

/** A number of digits with separators for the eye (RFC 3966, 3), and parameters. */
const NUMBER = /^(\+)?([\d\-.()*#A-Fa-f]+)((?:;[a-z\d-]+(?:=[^;\s]+)?)*)$/i;

function telephone(rest: string): DeviceAddress | null {
  const match = NUMBER.exec(rest.replace(/[\s\u00a0]+/g, ''));
  if (!match) return null;
  const [, plus = '', number = '', parameters = ''] = match;
  const digits = number.match(/\d/g)?.length ?? 0;
  if (digits < 2 || digits > 20 || (plus !== '' && /[*#a-f]/i.test(number))) return null;
  const isWhole = plus !== '' || /;phone-context=/i.test(parameters);
  return {
    scheme: 'tel',
    href: `tel:${plus}${number}${parameters}`,
    words: plus + number,
    doubt: isWhole
      ? ''
      : 'The number doesn’t begin with + and its country, so it is reached from some places only (RFC 3966, 5.1.4).',
  };
}

const DEGREES = String.raw`-?\d{1,3}(?:\.\d+)?`;
const SPOT = new RegExp(
  `^(${DEGREES}),(${DEGREES})(,-?\\d+(?:\\.\\d+)?)?((?:;[a-z\\d-]+(?:=[^;\\s]+)?)*)$`,
  'i',
);

function spot(rest: string): DeviceAddress | null {
  const match = SPOT.exec(rest.replace(/\?.*$/s, '').replace(/\s+/g, ''));
  if (!match) return null;
  const [, latitude = '', longitude = '', height = '', parameters = ''] = match;
  if (Math.abs(Number(latitude)) > 90 || Math.abs(Number(longitude)) > 180) return null;
  return {
    scheme: 'geo',
    href: `geo:${latitude},${longitude}${height}${parameters}`,
    words: `${latitude}, ${longitude}`,
    doubt: '',
  };
}

function unescaped(rest: string): string | null {
  try {
    return decodeURIComponent(rest);
  } catch {
    return null;
  }
}
