export { ASKED_FOR, FAILURES, MAIL_STATES, TLS_FAULTS } from './answer.js';
export type {
  Answer,
  ArchivedCopy,
  Asked,
  AskedFor,
  Failure,
  FailureAnswer,
  FileAnswer,
  HeaderSeen,
  Hop,
  Likened,
  MailAnswer,
  MailState,
  Said,
  Streak,
  TlsFault,
  WebAnswer,
} from './answer.js';
export { isFrontPage } from './addresses.js';
export { askedAddress, verdictInside, verdictOn } from './inside.js';
export type { Inside } from './inside.js';
export { isOnePage, likened } from './likeness.js';
export { PATIENCE, VERDICT_TABLE, verdictOf } from './verdict.js';
export type { Patience, Verdict } from './verdict.js';
export { VERDICTS } from './verdict-name.js';
export type { VerdictName } from './verdict-name.js';
