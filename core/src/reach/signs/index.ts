import { consent, door, paid, signIn } from './guarded.js';
import {
  anotherPage,
  choices,
  dataError,
  fault,
  frontPage,
  nothing,
  otherFile,
  otherType,
  parked,
  sameForAll,
  scriptSendsOn,
  softNotFound,
  suspended,
  unfurnished,
} from './doubtful.js';
import { fragment } from './fragments.js';
import type { Sign } from './sign.js';

export type { Seen, Sign, Told } from './sign.js';

/** Every sign, in the order in which they are looked for: the first that is found decides. */
export const SIGNS: readonly Sign[] = [
  choices,
  door,
  nothing,
  parked,
  suspended,
  unfurnished,
  softNotFound,
  fault,
  signIn,
  consent,
  paid,
  dataError,
  otherType,
  otherFile,
  frontPage,
  sameForAll,
  scriptSendsOn,
  anotherPage,
  fragment,
];
