import { asChosen, auditLink, choicesByRule, type Finding } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import { useAuditContext } from './audit-context.js';
import { useBook } from './store.js';

/**
 * What is found of a link in a slip: of one that stands in the text as it is, what the audit of the whole book says; of one that is being
 * written, what it says by itself, at each key.
 */
export function useLinkFindings(preview: Link | null, isStored: boolean): Finding[] {
  const context = useAuditContext();
  const stored = useBook((store) => (preview && isStored ? store.findings.get(preview.id) : undefined));
  const rules = useBook((store) => store.choices.rules);
  const known = useBook((store) =>
    preview && isStored ? store.links.some(({ id }) => id === preview.id) : false,
  );
  if (!preview) return [];
  if (isStored && known) return stored ?? [];
  return asChosen(auditLink(preview, context), choicesByRule(rules));
}
