import { ApiPropertyOptional } from '@nestjs/swagger';
import { OPENS_FOR, TRAVELS, type OpensFor, type Travels } from '@vennet/core/shelf';
import { IsIn, IsOptional, IsString, Length, MaxLength } from 'class-validator';

/** What can be changed of a file on the Shelf. */
export class ShelfChangesDto {
  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @Length(1, 200, { message: 'Give the file a name of 1 to 200 characters.' })
  name?: string;

  @ApiPropertyOptional()
  @IsOptional()
  @IsString()
  @MaxLength(1000)
  description?: string;

  @ApiPropertyOptional({ enum: OPENS_FOR })
  @IsOptional()
  @IsIn(OPENS_FOR, { message: 'A file opens for “everyone”, “reviewers” or “author”.' })
  opensFor?: OpensFor;

  @ApiPropertyOptional({ enum: TRAVELS })
  @IsOptional()
  @IsIn(TRAVELS, { message: 'A file travels “inside”, “beside” or “public”.' })
  travels?: Travels;

  @ApiPropertyOptional({ description: 'A web address; empty takes it away' })
  @IsOptional()
  @IsString()
  @MaxLength(2000)
  address?: string;
}
