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

/** What an error of the network means. Errors inside others (several addresses tried, a wrapped cause) are looked into. */
export function failureOf(error: unknown): Failure {
  if (!(error instanceof Error)) return 'protocol';
  if (error.name === 'TimeoutError') return 'timeout';
  const code = (error as NodeJS.ErrnoException).code ?? '';
  if (BY_CODE[code]) return BY_CODE[code];
  if (/CERT|SELF_SIGNED|ALTNAME|UNABLE_TO_VERIFY|ERR_TLS|ERR_SSL/.test(code)) return 'certificate';
  const inner = error instanceof AggregateError ? (error.errors[0] as unknown) : error.cause;
  return inner ? failureOf(inner) : 'protocol';
}
