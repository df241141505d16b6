import { Body, Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import { ApiNoContentResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { ShowAgain, SurveyChoices } from '@vennet/core/wire';
import { NewRuleChoiceDto, SetAsideRequestDto, ShowAgainDto, SurveyChoicesDto } from './choices.dto.js';
import { ChoicesService } from './choices.service.js';

/** What an author chooses of a book's survey. */
@ApiTags('checks')
@Controller('api/books/:id')
export class ChoicesController {
  constructor(private readonly choices: ChoicesService) {}

  @Get('survey')
  @ApiOkResponse({ type: SurveyChoicesDto })
  survey(@Param('id', ParseUUIDPipe) id: string): Promise<SurveyChoices> {
    return this.choices.of(id);
  }

  /** Raises or lowers a rule for this book, or switches it off. */
  @Put('rules/:rule')
  @HttpCode(204)
  @ApiNoContentResponse()
  choose(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('rule') rule: string,
    @Body() body: NewRuleChoiceDto,
  ): Promise<void> {
    return this.choices.choose(id, rule, body);
  }

  @Delete('rules/:rule')
  @HttpCode(204)
  @ApiNoContentResponse()
  unchoose(@Param('id', ParseUUIDPipe) id: string, @Param('rule') rule: string): Promise<void> {
    return this.choices.unchoose(id, rule);
  }

  /** Leaves findings and verdicts as they are, with a reason. */
  @Post('set-aside')
  @HttpCode(200)
  @ApiOkResponse({ type: ShowAgainDto })
  async setAside(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() { entries }: SetAsideRequestDto,
  ): Promise<ShowAgain> {
    return { ids: await this.choices.setAside(id, entries) };
  }

  @Post('set-aside/show-again')
  @HttpCode(204)
  @ApiNoContentResponse()
  showAgain(@Param('id', ParseUUIDPipe) id: string, @Body() { ids }: ShowAgainDto): Promise<void> {
    return this.choices.showAgain(id, ids);
  }
}
