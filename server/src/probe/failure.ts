import type { Failure, TlsFault } from '@vennet/core/reach';
import { isDefinite } from './names.js';

const BY_CODE: Record<string, Failure> = {
  ENOTFOUND: 'unknown-name',
  EAI_AGAIN: 'name-fault',
  ENODATA: 'unknown-name',
  EAI_NONAME: 'unknown-name',
  ESERVFAIL: 'name-fault',
  EREFUSED: 'name-fault',
  EFORMERR: 'name-fault',
  EBADRESP: 'name-fault',
  ECONNREFUSED: 'refused',
  EHOSTUNREACH: 'timeout',
  ENETUNREACH: 'timeout',
  ETIMEDOUT: 'timeout',
  UND_ERR_CONNECT_TIMEOUT: 'timeout',
  UND_ERR_HEADERS_TIMEOUT: 'timeout',
  UND_ERR_BODY_TIMEOUT: 'timeout',
  ECONNRESET: 'reset',
  EPIPE: 'reset',
  UND_ERR_SOCKET: 'reset',
  VENNET_PRIVATE_ADDRESS: 'private-address',
  VENNET_UNPACKABLE: 'unpackable',
};

/** Codes of OpenSSL and of Node's `tls`, by what a reader is to know of them; the first that fits. */
const TLS_CODES: readonly (readonly [RegExp, TlsFault])[] = [
  [/^CERT_HAS_EXPIRED$/, 'expired'],
  [/^CERT_NOT_YET_VALID$/, 'not-yet-valid'],
  [/ALTNAME_INVALID/, 'other-name'],
  [/^DEPTH_ZERO_SELF_SIGNED_CERT$/, 'self-signed'],
  [
    /^SELF_SIGNED_CERT_IN_CHAIN$|UNABLE_TO_GET_ISSUER|UNABLE_TO_VERIFY_LEAF|CERT_UNTRUSTED|INVALID_CA/,
    'unknown-issuer',
  ],
  [/REVOKED/, 'revoked'],
  [/TOO_WEAK|TOO_SMALL|DH_KEY|UNSAFE_LEGACY/, 'weak'],
  [
    /UNSUPPORTED_PROTOCOL|PROTOCOL_VERSION|VERSION_TOO_LOW|NO_PROTOCOLS_AVAILABLE|INAPPROPRIATE_FALLBACK/,
    'old-version',
  ],
  [
    /WRONG_VERSION_NUMBER|HTTP_REQUEST|PACKET_LENGTH_TOO_LONG|RECORD_TOO_SMALL|BAD_RECORD_TYPE|UNEXPECTED_MESSAGE/,
    'plain-http',
  ],
  [/CERTIFICATE_REQUIRED|PEER_DID_NOT_RETURN/, 'asks-for-certificate'],
  [/^(?:ERR_TLS|ERR_SSL|CERT_)|_CERT|SSL_|TLSV/, 'other'],
];

/** An error as Node and undici throw it; one that wraps others has them in `errors` or `cause`. */
interface NetworkError {
  name?: string;
  code?: string;
  message?: string;
  /** It came from a name server. */
  names?: boolean;
  cause?: unknown;
  errors?: unknown[];
}

/** What an error of the network means, and the word that the system has for it. */
export interface FailureMet {
  failure: Failure;
  tls?: TlsFault;
  code: string;
}

/** What an error of the network means. Errors inside others (several addresses tried, a wrapped cause) are looked into. */
export function failureOf(error: unknown): FailureMet {
  if (typeof error !== 'object' || error === null) return { failure: 'protocol', code: '' };
  const { name, code = '', cause, errors, names } = error as NetworkError;
  if (names) return { failure: isDefinite(code) ? 'unknown-name' : 'name-fault', code };
  if (name === 'TimeoutError') return { failure: 'timeout', code: 'ETIMEDOUT' };
  if (BY_CODE[code]) return { failure: BY_CODE[code], code };
  const tls = TLS_CODES.find(([pattern]) => pattern.test(code))?.[1];
  if (tls) return { failure: 'certificate', tls, code };
  const inner = errors?.[0] ?? cause;
  return inner ? failureOf(inner) : { failure: 'protocol', code: code || name || '' };
}

/** Faults that often pass, so that another try is worth it. */
export const mayPass = ({ failure, tls }: { failure: Failure; tls?: TlsFault }): boolean =>
  ['name-fault', 'refused', 'timeout', 'reset', 'robots-unknown'].includes(failure) && tls === undefined;
