import type { Rule } from '../finding.js';
import { areaOverlap, areaSmall } from './area-small.js';
import { bookGone } from './book-gone.js';
import { capitals } from './capitals.js';
import { domainTypo } from './domain-typo.js';
import { fileGone } from './file-gone.js';
import { fileLocked } from './file-locked.js';
import { fileMisnamed } from './file-misnamed.js';
import { fileNowhere } from './file-nowhere.js';
import { fileUnsaid } from './file-unsaid.js';
import { handMadeNote } from './hand-made-note.js';
import { hoverNote } from './hover-note.js';
import { labelInName } from './label-in-name.js';
import { leadsNowhere } from './leads-nowhere.js';
import { longText } from './long-text.js';
import { lookalikeHost } from './lookalike-host.js';
import { lookContrast } from './look-contrast.js';
import { mailToNobody } from './mail-to-nobody.js';
import { mailUnsaid } from './mail-unsaid.js';
import { misleadingText } from './misleading-text.js';
import { newWindow } from './new-window.js';
import { noText } from './no-text.js';
import { noWayBack } from './no-way-back.js';
import { ownMachine } from './own-machine.js';
import { pageLanguage } from './page-language.js';
import { pageNumber } from './page-number.js';
import { passwordInAddress } from './password-in-address.js';
import { pictureDescribed, pictureName } from './picture-name.js';
import { placeGone } from './place-gone.js';
import { placeholderText } from './placeholder-text.js';
import { placeLeftOut } from './place-left-out.js';
import { placeUnwritten } from './place-unwritten.js';
import { plainHttp } from './plain-http.js';
import { rawAddress } from './raw-address.js';
import { shortener } from './shortener.js';
import { tracking } from './tracking.js';
import { untrimmedEnds } from './untrimmed-ends.js';
import { vagueText } from './vague-text.js';
import { wholeParagraph } from './whole-paragraph.js';

/** Every rule over single links, the gravest first. */
export const rules: readonly Rule[] = [
  noText,
  misleadingText,
  lookalikeHost,
  leadsNowhere,
  placeGone,
  placeLeftOut,
  placeUnwritten,
  fileGone,
  bookGone,
  fileNowhere,
  fileLocked,
  ownMachine,
  passwordInAddress,
  noWayBack,
  vagueText,
  pictureName,
  labelInName,
  areaSmall,
  lookContrast,
  mailToNobody,
  fileMisnamed,
  placeholderText,
  pictureDescribed,
  rawAddress,
  fileUnsaid,
  mailUnsaid,
  pageNumber,
  wholeParagraph,
  untrimmedEnds,
  hoverNote,
  plainHttp,
  shortener,
  areaOverlap,
  domainTypo,
  handMadeNote,
  pageLanguage,
  newWindow,
  longText,
  capitals,
  tracking,
];
