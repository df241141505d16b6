import type { Format } from '@vennet/core/manuscript';
import type { FlowChoices, Loss, PdfChoices, SeenPage } from '@vennet/core/publish';
import type { Proof, ProofTable } from '@vennet/core/readback';
import type { ExportChoices } from '@vennet/core/wire';
import type { BookSource } from '../books/book-source.js';
import type { SourceFile } from './files.js';

export interface PublishInput {
  format: Format;
  source: BookSource;
  enclosures: SourceFile[];
  modified: Date;
  /** Where the finished file of a book of pages lies. */
  ground: string | null;
  choices: ExportChoices;
  /** How the pages of a PDF are set. */
  pdf: PdfChoices;
  /** How a form without pages is made. */
  flow: FlowChoices;
  /** How the pages are set that an e-book lists; `null` for none. */
  listed: PdfChoices | null;
  /** What is known of pages of the web, by their addresses, where the file lists them. */
  seen: [href: string, page: SeenPage][];
  /** Where the made file is written. */
  output: string;
  /** Where a row for each link is written, as JSON. */
  table: string;
  /** Sets each chapter by itself first, and says which: so that the one is known that breaks the typesetter. */
  careful: boolean;
}

export interface PublishProgress {
  stage: string;
  done: number;
  total: number;
  /** The title of the chapter that is set by itself. */
  chapter?: string;
}

export interface Published {
  /** Of the made file, in bytes. */
  size: number;
  proof: Proof;
  /** What was known before to be different in it. */
  losses: Loss[];
  notes: string[];
  /** It is an archive of several files. */
  isArchive: boolean;
  /** The files that readers need next to the made one: their paths, by the ids of their enclosures. */
  beside: [string, string][];
}

export interface Made extends ProofTable {
  bytes: Uint8Array;
  notes: string[];
  /** It is an archive of several files. */
  isArchive?: boolean;
}

export type Tell = (stage: string, done?: number, total?: number) => void;
