import { ApiProperty } from '@nestjs/swagger';
import { FORMATS, type Format } from '@vennet/core/manuscript';
import { IsIn } from 'class-validator';

export class NewExportDto {
  @ApiProperty({ enum: FORMATS })
  @IsIn(FORMATS, { message: 'A book can be made as “epub”, “pdf” or “web”.' })
  format: Format;
}
