import { audit, auditContext } from '@vennet/core/audit';
import { linksOf } from '@vennet/core/manuscript';
import { generatedBook } from './book.js';
import { best } from './floor.js';

const SIZES = [200, 2_000, 20_000];

/** Reading the links and all audit rules, for books that grow tenfold: time, and growth against growth of the book. */
export async function benchAuditing(): Promise<void> {
  let before: { links: number; time: number } | null = null;
  for (const links of SIZES) {
    const book = generatedBook(links * 50, links);
    const time = await best(5, () => {
      const all = linksOf(book);
      return audit(all, auditContext('en', all));
    });
    const growth = before
      ? `, ${(time / before.time).toFixed(1)} × the time for ${links / before.links} × the links`
      : '';
    console.log(`Links and audit of ${links.toLocaleString('en')} links: ${time.toFixed(1)} ms${growth}`);
    before = { links, time };
  }
}
