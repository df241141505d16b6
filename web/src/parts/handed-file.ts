/** A file that is handed from one room to the next: what an address can't carry. */
let handed: File | null = null;

export const handOn = (file: File): void => void (handed = file);

/** The file that was handed on, once. */
export function takeHanded(): File | null {
  const file = handed;
  handed = null;
  return file;
}
