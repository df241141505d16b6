import { Type } from 'class-transformer';
import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import type { Destination } from '@vennet/core/destination';
import {
  FORMATS,
  MATTERS,
  type Format,
  type LinkLook,
  type Matter,
  type Structure,
} from '@vennet/core/manuscript';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import type { SectionMove } from '@vennet/core/edits';
import type { InsideRepair, Repair } from '@vennet/core/repair';
import type { InsideRepairRequest, MentionsRequest, RepairTarget } from '@vennet/core/wire';

const LANGUAGE = /^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/;

export class NewBookDto {
  @ApiProperty()
  @IsString()
  @Length(1, 300, { message: 'Give the book a title of 1 to 300 characters.' })
  title: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(300)
  author?: string;

  @ApiPropertyOptional({ description: 'BCP 47 language tag', default: 'en' })
  @IsOptional()
  @Matches(LANGUAGE, { message: 'A language is written as a tag such as en, de or pt-BR.' })
  language?: string;
}

export class BookChangesDto {
  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @Length(1, 300, { message: 'Give the book a title of 1 to 300 characters.' })
  title?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(300)
  subtitle?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(300)
  author?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @Matches(LANGUAGE, { message: 'A language is written as a tag such as en, de or pt-BR.' })
  language?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(5000)
  description?: string;

  @ApiPropertyOptional({ description: 'Where readers get the book: a web address; empty takes it away' })
  @IsOptional()
  @IsString()
  @MaxLength(2000)
  address?: string;

  @ApiPropertyOptional({ description: 'How links look', type: 'object', additionalProperties: true })
  @IsOptional()
  @IsObject()
  look?: LinkLook;

  @ApiPropertyOptional({
    description: 'How it counts, shows notes and leads back',
    type: 'object',
    additionalProperties: true,
  })
  @IsOptional()
  @IsObject()
  structure?: Structure;
}

/** Where a chapter stands in its book. */
export class ChapterPlaceDto {
  @ApiProperty()
  @IsString()
  id: string;

  @ApiProperty({ enum: MATTERS })
  @IsIn(MATTERS)
  matter: Matter;
}

export class OutlineDto {
  @ApiProperty({ description: 'Every chapter of the book, in its new order', type: [ChapterPlaceDto] })
  @IsArray()
  @ArrayMaxSize(5000)
  @ValidateNested({ each: true })
  @Type(() => ChapterPlaceDto)
  chapters: ChapterPlaceDto[];
}

export class ChapterChangesDto {
  @ApiProperty({ description: 'The forms in which the chapter is left out', enum: FORMATS, isArray: true })
  @IsArray()
  @IsIn(FORMATS, { each: true })
  leftOutOf: Format[];
}

export class SectionMoveDto {
  @ApiProperty({
    description: '{ chapter, section }: the heading of the section',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  from: SectionMove['from'];

  @ApiProperty({
    description: '{ chapter, before }: the heading before which it goes, or null for the end of the chapter',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  to: SectionMove['to'];
}

export class SaveChapterDto {
  @ApiProperty({ description: 'The version that the text was read at' })
  @IsInt()
  @Min(1)
  version: number;

  @ApiProperty({
    description: 'The chapter as JSON of the schema',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  doc: object;
}

export class NewChapterDto {
  @ApiProperty()
  @IsString()
  @MaxLength(300)
  title: string;

  @ApiPropertyOptional({ description: 'The chapter after which it comes; at the end without one' })
  @IsOptional()
  @IsString()
  after?: string;
}

export class RepairDto {
  @ApiProperty({
    description: '{ href } for all uses of an address, or { links: [id, …] }',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  target: RepairTarget;

  @ApiProperty({
    description: 'A repair as core/repair takes it',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  repair: Repair & { destination?: Destination };
}

export class InsideRepairDto {
  @ApiProperty({
    description: 'What is repaired: { id, chapter, at }',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  target: InsideRepairRequest['target'];

  @ApiProperty({
    description: 'A repair as core/repair takes it',
    type: 'object',
    additionalProperties: true,
  })
  @IsObject()
  repair: InsideRepair;
}

export class MentionsDto {
  @ApiProperty({ description: 'Where the new links lead', type: 'object', additionalProperties: true })
  @IsObject()
  destination: Destination;

  @ApiProperty()
  @IsString()
  @MaxLength(1000)
  hoverNote: string;

  @ApiPropertyOptional({ type: 'object', additionalProperties: true, nullable: true })
  @IsOptional()
  @IsObject()
  look: LinkLook | null;

  @ApiProperty({
    description: 'The mentions: { chapter, from, to, text }',
    type: 'array',
    items: { type: 'object' },
  })
  @IsArray()
  @ArrayMaxSize(50_000)
  mentions: MentionsRequest['mentions'];
}
