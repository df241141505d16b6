import { PartialType } from '@nestjs/swagger';
import type { Contributor, Publication } from '@vennet/core/manuscript';
import { ShapeList, WordList, Words } from '../../platform/shapes.js';

const LINE = { most: 1000 };

class ContributorDto implements Contributor {
  @Words(LINE)
  name: string;

  @Words({ pattern: /^(?:[a-z]{3})?$/, message: 'A role is a code of three letters, or empty.' })
  role: string;
}

/** What is said of a book where it is published. */
export class PublicationDto implements Publication {
  @WordList({ most: 50, description: 'Each author by name, where there are several' })
  authors: string[];

  @Words(LINE)
  publisher: string;

  @Words(LINE)
  published: string;

  @Words({ most: 5000 })
  rights: string;

  @Words(LINE)
  source: string;

  @WordList({ most: 50 })
  identifiers: string[];

  @WordList({ most: 50 })
  subjects: string[];

  @ShapeList(ContributorDto, { most: 50 })
  contributors: ContributorDto[];

  @Words({ nullable: true, description: 'The picture of the cover; without, it is drawn of the title' })
  cover: string | null;
}

/** What is changed of it; what is not sent stays. */
export class PublicationChangesDto extends PartialType(PublicationDto) {}
