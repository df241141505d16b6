import type { Edition } from '../edition/edition.js';
import { element } from '../markup/xml.js';
import { HEADER, NAMESPACES, packageOf } from './package.js';
import { stylesXml } from './styles.js';
import { DocumentWriter } from './writer.js';

/** Makes a document for word processors of a book (ECMA-376, transitional WordprocessingML). */
export function makeDocx(edition: Edition, { modified }: { modified: Date }): Uint8Array {
  const { book } = edition;
  const writer = new DocumentWriter(edition);
  const body = writer.body();
  const kind = writer.areEndnotes ? 'endnotes' : 'footnotes';
  writer.relations.to('styles', 'styles.xml', false);
  writer.relations.to('settings', 'settings.xml', false);
  writer.relations.to('numbering', 'numbering.xml', false);
  if (writer.notes.length > 0) writer.relations.to(kind, `${kind}.xml`, false);
  const { count, stand } = book.structure.notes;
  const single = kind.slice(0, -1);
  const restarts = count === 'chapter' ? '<w:numRestart w:val="eachSect"/>' : '';
  const position = stand === 'chapter' ? '<w:pos w:val="sectEnd"/>' : '';
  const separators = [0, 1].map((id) => element(`w:${single}`, { 'w:id': String(id) })).join('');
  const settings = element(
    `w:${single}Pr`,
    {},
    `${position}<w:numFmt w:val="decimal"/>${restarts}${separators}`,
  );
  const xml: Record<string, string> = {
    'document.xml': `${HEADER}${element('w:document', NAMESPACES, `<w:body>${body}</w:body>`)}`,
    'styles.xml': stylesXml(book.language, book.look, book.structure.numbering === 'decimal'),
    'numbering.xml': writer.lists.xml(),
    'settings.xml': `${HEADER}${element('w:settings', { 'xmlns:w': NAMESPACES['xmlns:w'] }, writer.notes.length > 0 ? settings : '')}`,
    '_rels/document.xml.rels': writer.relations.xml(),
  };
  if (writer.notes.length > 0) {
    const lines = ['separator', 'continuationSeparator'].map(
      (type, id) =>
        `<w:${single} w:type="${type}" w:id="${id}"><w:p><w:r><w:${type}/></w:r></w:p></w:${single}>`,
    );
    xml[`${kind}.xml`] =
      `${HEADER}${element(`w:${kind}`, NAMESPACES, lines.join('') + writer.notes.join(''))}`;
    xml[`_rels/${kind}.xml.rels`] = writer.noteRelations.xml();
  }
  const core = {
    'dc:title': book.title,
    'dc:creator': book.author,
    'dc:description': book.description,
    'dc:language': book.language,
    'cp:keywords': (book.publication?.subjects ?? []).join(', '),
  };
  return packageOf({ xml, media: writer.media, core }, modified);
}
