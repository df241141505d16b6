import type { Rule } from '../finding.js';

/** An email link without an address: allowed by RFC 6068, and of no use to a reader who doesn't know whom to write to. */
export const mailToNobody: Rule = {
  id: 'mail-to-nobody',
  title: 'Emails to nobody',
  severity: 'should-fix',
  criterion: 'RFC 6068, section 2',
  looksAt: (link) => link.kind === 'mail',
  find({ destination }) {
    if (destination.kind !== 'mail' || destination.to.length > 0) return null;
    return { message: 'This email goes to nobody: the reader has to know the address.', repairs: [] };
  },
};
