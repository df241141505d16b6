/** The least PDF of two pages with the named destination `wick` (ISO 32000-1, 7.5 and 12.3.2.3). */
export function smallPdf(): string {
  const objects = [
    '<</Type/Catalog/Pages 2 0 R/Dests<</wick[4 0 R/XYZ 0 99 0]>>>>',
    '<</Type/Pages/Kids[3 0 R 4 0 R]/Count 2>>',
    '<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>',
    '<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>',
  ];
  let file = '%PDF-1.4\n';
  const offsets = objects.map((object, index) => {
    const at = file.length;
    file += `${index + 1} 0 obj${object}endobj\n`;
    return `${String(at).padStart(10, '0')} 00000 n \n`;
  });
  return `${file}xref\n0 5\n0000000000 65535 f \n${offsets.join('')}trailer<</Size 5/Root 1 0 R>>\nstartxref\n${file.length}\n%%EOF`;
}
