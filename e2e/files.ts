import type { Locator } from '@playwright/test';

/** The smallest PDF: a catalog and no page. */
export const PDF = Buffer.from(
  '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\ntrailer<</Root 1 0 R>>',
);

/** A drawing of 400 by 200 px with something that would run. */
export const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200" viewBox="0 0 400 200"><script>window.ran = true</script><rect width="400" height="200" fill="#cde"/></svg>`;

/** Drops a file from the computer on an element. */
export async function dropFile(
  target: Locator,
  { name, type, content }: { name: string; type: string; content: string },
): Promise<void> {
  const transfer = await target.page().evaluateHandle(
    (file) => {
      const data = new DataTransfer();
      data.items.add(new File([file.content], file.name, { type: file.type }));
      return data;
    },
    { name, type, content },
  );
  const box = await target.boundingBox();
  const at = { clientX: (box?.x ?? 0) + (box?.width ?? 0) / 2, clientY: (box?.y ?? 0) + 10 };
  await target.dispatchEvent('dragover', { dataTransfer: transfer, ...at });
  await target.dispatchEvent('drop', { dataTransfer: transfer, ...at });
}
