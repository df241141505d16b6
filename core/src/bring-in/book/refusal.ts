/** Why a file can't be brought in at all. */
export type BringInFault =
  | 'unknown-format'
  | 'broken-archive'
  | 'archive-bounds'
  | 'unsafe-path'
  | 'encrypted'
  | 'no-package'
  | 'too-large'
  | 'empty';

/** A file that can't be brought in. The message says what is wrong and what to do; nothing of the book is made. */
export class BringInError extends Error {
  constructor(
    readonly fault: BringInFault,
    message: string,
  ) {
    super(message);
    this.name = 'BringInError';
  }
}
