import type { Link } from '@vennet/core/manuscript';
import { tellFault, useNotices } from '../parts/notices.js';

/** Puts the full address of a link on the clipboard. */
export async function copyAddress(link: Link): Promise<void> {
  try {
    await navigator.clipboard.writeText(link.href);
    useNotices.getState().tell('The address is on the clipboard.');
  } catch {
    tellFault(new Error(`The browser did not let Vennet use the clipboard. The address is ${link.href}`));
  }
}
