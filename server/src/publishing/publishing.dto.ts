import { ApiProperty } from '@nestjs/swagger';
import { SEVERITIES } from '@vennet/core/audit';
import { FORMATS, type Format } from '@vennet/core/manuscript';
import {
  FONT_SOURCES,
  type BookFonts,
  type Loss,
  type ScriptFont,
  type ScriptFonts,
  type ShapelessSign,
} from '@vennet/core/publish';
import {
  LINK_CHANGES,
  type ChangedLink,
  type CutOffLine,
  type LostLink,
  type PrintedPart,
  type Proof,
  type ProofRow,
  type ProofPart,
} from '@vennet/core/readback';
import {
  JOB_STATES,
  PROVED_STATES,
  type AnyProof,
  type BundlePlan,
  type ProvedLink,
  type Reading,
  type ReadingTally,
  type ExportJob,
  type FormPreview,
  type JobState,
  type NewExport,
} from '@vennet/core/wire';
import { ExportChoicesDto } from './choices.dto.js';
import { Choice, Flag, Moment, Shape, ShapeList, Whole, WordList, Words } from '../platform/shapes.js';

export class NewExportDto implements NewExport {
  @Choice(FORMATS, { message: 'A book can be made as “epub”, “pdf”, “web”, “docx”, “odt” or “markdown”.' })
  format: Format;

  @Shape(ExportChoicesDto, { optional: true })
  choices?: ExportChoicesDto;
}

class LostLinkDto implements LostLink {
  @Words()
  id: string;

  @Words()
  href: string;

  @Words()
  text: string;

  @Words()
  chapter: string;
}

class ChangedLinkDto extends LostLinkDto implements ChangedLink {
  @Words()
  foundHref: string;

  @Words()
  foundText: string;

  @Words()
  where: string;

  @Choice(LINK_CHANGES)
  change: ChangedLink['change'];
}

/** A link of the book with what was found of it in the made file. */
export class ProofRowDto extends LostLinkDto implements ProofRow {
  @Choice(['lost', 'changed', 'found'])
  state: ProofRow['state'];

  @Choice(LINK_CHANGES, { nullable: true, description: 'What of it is not as the book has it' })
  change: ProofRow['change'];

  @Words({ description: 'What stands in the file; empty where it is lost' })
  foundHref: string;

  @Words()
  foundText: string;

  @Words({ description: 'What is said where it is hovered over' })
  note: string;

  @Words({ description: 'The words where it lands, if it leads to a place inside' })
  landing: string;

  @Words()
  where: string;

  @ApiProperty({
    ...{ type: 'array', items: { type: 'array', items: { type: 'number' }, minItems: 4, maxItems: 4 } },
    description: 'Where it can be pressed, of a PDF: left, bottom, right and top, in points',
  })
  areas: number[][];

  @Whole({ nullable: true, description: 'Which of the links of its file it is, of a form of HTML, from 0' })
  nth: number | null;
}

class AddedLinkDto {
  @Words()
  href: string;

  @Words()
  text: string;

  @Words()
  where: string;
}

class CutOffLineDto implements CutOffLine {
  @Words()
  text: string;

  @Words()
  where: string;
}

class ProofPartDto implements ProofPart {
  @Whole()
  expected: number;

  @Whole()
  found: number;

  @ShapeList(LostLinkDto)
  lost: LostLinkDto[];

  @ShapeList(ChangedLinkDto)
  changed: ChangedLinkDto[];
}

class PrintedPartDto implements PrintedPart {
  @Whole()
  expected: number;

  @Whole()
  found: number;

  @ShapeList(LostLinkDto)
  lost: LostLinkDto[];
}

/** The match of a made file’s links against the book’s. */
class ProofDto extends ProofPartDto implements Proof {
  @Shape(ProofPartDto, { description: 'The links that Vennet makes itself' })
  computed: ProofPartDto;

  @Shape(PrintedPartDto, {
    optional: true,
    description: 'Addresses that are printed; left out where none are',
  })
  printed?: PrintedPartDto;

  @ShapeList(AddedLinkDto, { description: 'Links in the file that the book does not have' })
  added: AddedLinkDto[];

  @ShapeList(CutOffLineDto, { description: 'Lines that run off their page: what is outside of it is lost' })
  cutOff: CutOffLineDto[];
}

class ProvedFindingDto {
  @Words()
  rule: string;

  @Choice(SEVERITIES)
  severity: ProvedLink['findings'][number]['severity'];

  @Words()
  message: string;
}

class ProvedLinkDto implements ProvedLink {
  @Choice(PROVED_STATES)
  state: ProvedLink['state'];

  @Words({ description: 'Of the book’s own link, where it is lost or changed; else empty' })
  id: string;

  @Words()
  chapter: string;

  @Words()
  href: string;

  @Words()
  text: string;

  @Words({ description: 'Where it stands in the file, for a person' })
  where: string;

  @Words({ description: 'What is otherwise than in the book' })
  about: string;

  @ShapeList(ProvedFindingDto)
  findings: ProvedFindingDto[];
}

/** What was found in a file that was made anywhere. */
export class AnyProofDto implements AnyProof {
  @Words()
  name: string;

  @Choice(['epub', 'pdf', 'web'])
  kind: AnyProof['kind'];

  @Words()
  title: string;

  @Shape(ProofDto, { nullable: true, description: 'Against the book, if the file was made of it' })
  proof: ProofDto | null;

  @ShapeList(ProvedLinkDto)
  links: ProvedLinkDto[];
}

class BundledFileDto {
  @Words()
  path: string;

  @Whole({ description: 'In bytes' })
  size: number;
}

/** What an archive of several forms would hold. */
export class BundlePlanDto implements BundlePlan {
  @ShapeList(BundledFileDto)
  files: BundledFileDto[];

  @WordList({ description: 'What is missing in it, each with what to do' })
  missing: string[];
}

class ReadingPageDto {
  @Words()
  path: string;

  @Words()
  title: string;

  @Whole({ description: 'How many links it has' })
  links: number;
}

/** Which links of a made file its author has tried. */
export class ReadingTallyDto implements ReadingTally {
  @WordList({ description: 'Each by the path of its page and its number there, as “path number”' })
  tried: string[];
}

/** A made file as a reader goes through it. */
export class ReadingDto extends ReadingTallyDto implements Reading {
  @Choice(FORMATS)
  format: Format;

  @Words()
  fileName: string;

  @ShapeList(ReadingPageDto, { description: 'In their order; a PDF has them itself' })
  pages: ReadingPageDto[];
}

class ToldLinkDto {
  @Words()
  id: string;

  @Words()
  text: string;

  @Words()
  chapter: string;
}

class LossDto implements Loss {
  @Words()
  what: string;

  @Whole()
  count: number;

  @Words()
  why: string;

  @ShapeList(ToldLinkDto, {
    description: 'The links that it is told of, as far as it is told of the author’s',
  })
  links: Loss['links'];
}

export class ExportJobDto implements ExportJob {
  @Words()
  id: string;

  @Choice(FORMATS)
  format: Format;

  @Choice(JOB_STATES)
  state: JobState;

  @Words({ description: 'What is being done, while it runs' })
  stage: string;

  @Whole()
  done: number;

  @Whole()
  total: number;

  @Words({ description: 'Why it failed, for the author' })
  message: string;

  @WordList({ description: 'What is not as it should be in the made file, beside its links' })
  notes: string[];

  @Shape(ProofDto, { nullable: true })
  proof: ProofDto | null;

  @Whole({ nullable: true, description: 'In bytes' })
  size: number | null;

  @Words()
  fileName: string;

  @Shape(ExportChoicesDto, { description: 'With which it was made, where it has some' })
  choices: ExportChoicesDto;

  @Whole({ description: 'How many files readers need next to it' })
  beside: number;

  @Flag({ description: 'The book has changed since it was made' })
  isOutdated: boolean;

  @ShapeList(LossDto, { description: 'What was known before to be different in it' })
  losses: LossDto[];

  @Words({ nullable: true, description: 'The version of the book that it was made of' })
  snapshot: string | null;

  @Moment()
  createdAt: string;

  @Moment({ nullable: true })
  finishedAt: string | null;
}

/** What publishing in one form will lose or change. */
export class FormPreviewDto implements FormPreview {
  @Choice(FORMATS)
  format: Format;

  @Whole()
  links: number;

  @ShapeList(LossDto)
  losses: LossDto[];
}

/** A sign of the book that no font has a shape for. */
export class ShapelessSignDto implements ShapelessSign {
  @Words()
  sign: string;

  @Words()
  chapter: string;

  @Words()
  words: string;

  @Words()
  fonts: string;
}

class FontOfScriptDto implements ScriptFont {
  @Words()
  family: string;

  @Choice(FONT_SOURCES)
  from: ScriptFont['from'];
}

/** A script of the book with the fonts in which it is set. */
class ScriptFontsDto implements ScriptFonts {
  @Words()
  script: string;

  @ShapeList(FontOfScriptDto)
  fonts: FontOfScriptDto[];

  @Whole({ description: 'How many different letters no font has a shape for' })
  missing: number;

  @Words({ description: 'A package of Debian that has a font for it, where letters are missing' })
  debian: string;

  @Words({ description: 'A package of npm' })
  npm: string;
}

/** What is known of the fonts of a book. */
export class BookFontsDto implements BookFonts {
  @ShapeList(ScriptFontsDto)
  scripts: ScriptFontsDto[];

  @WordList({ description: 'Why fonts of the Shelf are not used' })
  refused: string[];
}
