import type { Link } from '../../manuscript/index.js';
import type { AuditContext, Found, RuleHead } from '../finding.js';
import type { LinkIndex } from '../link-index.js';

/** One rule over links beside each other: pure, one file each, listed in `together/index.ts`. */
export interface TogetherRule extends RuleHead {
  find(link: Link, index: LinkIndex, context: AuditContext, next: Link | undefined): Found | null;
}
