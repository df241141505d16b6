import type { Rule } from '../finding.js';
import { bookGone, fileGone, fileLocked, fileMisnamed, fileNowhere } from './enclosures.js';
import { domainTypo } from './domain-typo.js';
import { handMadeNote, noWayBack, placeGone, placeLeftOut } from './inside.js';
import { hoverNote } from './hover-note.js';
import { lookContrast } from './look-contrast.js';
import { mailToNobody } from './mail-to-nobody.js';
import { misleadingText } from './misleading-text.js';
import { noText } from './no-text.js';
import { rawAddress } from './raw-address.js';
import { untrimmedEnds } from './untrimmed-ends.js';
import { vagueText } from './vague-text.js';

/** Every rule of the audit, the gravest first. */
export const rules: readonly Rule[] = [
  noText,
  misleadingText,
  placeGone,
  placeLeftOut,
  fileGone,
  bookGone,
  fileNowhere,
  fileLocked,
  noWayBack,
  vagueText,
  lookContrast,
  mailToNobody,
  fileMisnamed,
  rawAddress,
  untrimmedEnds,
  hoverNote,
  handMadeNote,
  domainTypo,
];
