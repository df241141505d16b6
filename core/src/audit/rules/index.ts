import type { Rule } from '../finding.js';
import { misleadingText } from './misleading-text.js';
import { noText } from './no-text.js';
import { rawAddress } from './raw-address.js';
import { untrimmedEnds } from './untrimmed-ends.js';
import { vagueText } from './vague-text.js';

/** Every rule of the audit, the gravest first. */
export const rules: readonly Rule[] = [noText, misleadingText, vagueText, rawAddress, untrimmedEnds];
