// Sets the two editions of the leaflet. It is run by hand when the leaflet is changed; the files are kept beside it.
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NodeCompiler } from '@myriaddreamin/typst-ts-node-compiler';

const here = fileURLToPath(new URL('.', import.meta.url));
for (const [edition, name] of [
  ['1', 'across-the-sound.pdf'],
  ['2', 'across-the-sound-2027.pdf'],
]) {
  const compiler = NodeCompiler.create({ workspace: here });
  compiler.addSource(`${here}leaflet.typ`, readFileSync(`${here}leaflet.typ`, 'utf8'));
  const made = compiler.compile({ mainFilePath: `${here}leaflet.typ`, inputs: { edition } });
  if (!made.result) throw new Error(JSON.stringify(made.takeDiagnostics()?.shortDiagnostics));
  writeFileSync(`${here}${name}`, compiler.pdf(made.result));
}
