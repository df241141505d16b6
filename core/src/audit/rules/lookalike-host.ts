import punycode from 'punycode/punycode.js';
import unhomoglyph from 'unhomoglyph';
import { domainsOf } from '../../destination/index.js';
import { REMOVE, type Rule } from '../finding.js';

/**
 * A host with letters that pass for others (UTS #39): letters of two scripts in one label, or a label of another script that
 * looks like plain Latin ones before a Latin ending.
 */
export const lookalikeHost: Rule = {
  id: 'lookalike-host',
  title: 'Hosts with letters that pass for others',
  severity: 'must-fix',
  criterion: 'UTS #39, 4 and 5',
  looksAt: (link) => (link.kind === 'web' || link.kind === 'mail') && link.href.includes('xn--'),
  find({ destination }) {
    for (const domain of domainsOf(destination)) {
      const host = punycode.toUnicode(domain);
      const seen = unhomoglyph(host);
      if (!isLookalike(host)) continue;
      return {
        message: `“${host}” looks like “${seen}”, but some of its letters are of another script. Readers can’t tell the two apart; make sure that it is the site you mean.`,
        repairs: [REMOVE],
      };
    }
    return null;
  },
};

const SCRIPTS = ['Latin', 'Cyrillic', 'Greek', 'Armenian', 'Cherokee', 'Hebrew', 'Arabic'].map(
  (name) => [name, new RegExp(`\\p{Script=${name}}`, 'u')] as const,
);
const scriptsOf = (text: string) => SCRIPTS.filter(([, script]) => script.test(text)).map(([name]) => name);

function isLookalike(host: string): boolean {
  const labels = host.split('.');
  const ending = scriptsOf(labels.at(-1) ?? '');
  return labels.some((label) => {
    const scripts = scriptsOf(label);
    if (scripts.length > 1) return true;
    const [script] = scripts;
    return (
      script !== undefined &&
      script !== 'Latin' &&
      !ending.includes(script) &&
      /^[a-z0-9-]+$/i.test(unhomoglyph(label))
    );
  });
}
