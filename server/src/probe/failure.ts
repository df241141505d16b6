import type { Failure } from '@vennet/core/reach';

const BY_CODE: Record<string, Failure> = {
  ENOTFOUND: 'unknown-name',
  EAI_AGAIN: 'timeout',
  ENODATA: 'unknown-name',
  EAI_NONAME: 'unknown-name',
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
};

/** An error as Node and undici throw it; one that wraps others has them in `errors` or `cause`. */
interface NetworkError {
  name?: string;
  code?: string;
  cause?: unknown;
  errors?: unknown[];
}

/** What an error of the network means. Errors inside others (several addresses tried, a wrapped cause) are looked into. */
export function failureOf(error: unknown): Failure {
  if (typeof error !== 'object' || error === null) return 'protocol';
  const { name, code = '', cause, errors } = error as NetworkError;
  if (name === 'TimeoutError') return 'timeout';
  if (BY_CODE[code]) return BY_CODE[code];
  if (/CERT|SELF_SIGNED|ALTNAME|UNABLE_TO_VERIFY|ERR_TLS|ERR_SSL/.test(code)) return 'certificate';
  const inner = errors?.[0] ?? cause;
  return inner ? failureOf(inner) : 'protocol';
}
