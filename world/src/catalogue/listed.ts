import type { Behaviour } from './behaviour.js';

const VERDICTS: readonly Behaviour['verdict'][] = [
  'sound',
  'moved',
  'guarded',
  'doubtful',
  'unreachable',
  'broken',
];

/** The catalogue as a page of documentation (Markdown): every behaviour under the verdict that it has to get. */
export function listed(catalogue: readonly Behaviour[]): string {
  const sections = VERDICTS.map((verdict) => {
    const those = catalogue.filter((one) => one.verdict === verdict);
    const lines = those.map(
      ({ id, about, movedTo }) => `- \`${id}\`: ${about}${movedTo ? `; offers \`${movedTo}\`` : ''}`,
    );
    return `## ${verdict[0]!.toUpperCase()}${verdict.slice(1)} (${those.length})\n\n${lines.join('\n')}\n`;
  });
  return `# What a check has to say

Every behaviour of web sites, name servers and mail domains that the stand-in world has, with the verdict that it has to get. Each is
run over real sockets by \`server/src/probe/catalogue.test.ts\`; it stands in \`world/src/catalogue/\`. Made by
\`npm run generate\`; not to be changed by hand.

${sections.join('\n')}`;
}
