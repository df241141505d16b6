import { ApiPropertyOptional } from '@nestjs/swagger';
import { IsArray, IsOptional, IsString } from 'class-validator';

export class NewCheckDto {
  @ApiPropertyOptional({ type: [String], description: 'Only these addresses; all of the book without them' })
  @IsOptional()
  @IsArray()
  @IsString({ each: true })
  hrefs?: string[];
}
