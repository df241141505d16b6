import qrcode from 'qrcode-generator';

/** White around a code, in modules (ISO/IEC 18004, 6.3.8). */
const QUIET = 4;

/** An address as a QR code (ISO/IEC 18004) with error correction M: a drawing in SVG of one path. */
export function qrDrawing(address: string): string {
  const code = qrcode(0, 'M');
  code.addData(
    new TextEncoder().encode(address).reduce((text, byte) => text + String.fromCharCode(byte), ''),
  );
  code.make();
  const count = code.getModuleCount();
  let path = '';
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++)
      if (code.isDark(row, column)) path += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
  const side = count + 2 * QUIET;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${side} ${side}" shape-rendering="crispEdges"><path fill="#fff" d="M0 0h${side}v${side}H0z"/><path d="${path}"/></svg>`;
}
