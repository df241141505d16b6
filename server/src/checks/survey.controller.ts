import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import { ApiNoContentResponse, ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { CheckSchedule, CheckSettings, DestinationHistory } from '@vennet/core/wire';
import { ShelfService } from '../shelf/shelf.service.js';
import { SchedulesService } from './schedules.service.js';
import { CheckSettingsService } from './settings.service.js';
import {
  CheckScheduleDto,
  CheckSettingsDto,
  DestinationHistoryDto,
  NewSayingDto,
  ScheduleSetDto,
} from './survey.dto.js';
import { VerdictsService } from './verdicts.service.js';

/** What stands around check runs: the history of a destination, what the author says of it, schedules, settings. */
@ApiTags('checks')
@Controller('api')
export class SurveyController {
  constructor(
    private readonly verdicts: VerdictsService,
    private readonly schedules: SchedulesService,
    private readonly settings: CheckSettingsService,
    private readonly shelf: ShelfService,
  ) {}

  @Get('books/:id/destinations')
  @ApiQuery({ name: 'href' })
  @ApiOkResponse({ type: DestinationHistoryDto })
  history(@Param('id', ParseUUIDPipe) id: string, @Query('href') href: string): Promise<DestinationHistory> {
    return this.verdicts.history(id, String(href));
  }

  /** What the author saw at a destination. */
  @Post('books/:id/sayings')
  @HttpCode(204)
  @ApiNoContentResponse()
  say(@Param('id', ParseUUIDPipe) id: string, @Body() said: NewSayingDto): Promise<void> {
    return this.verdicts.say(id, said);
  }

  @Delete('books/:id/sayings')
  @HttpCode(204)
  @ApiQuery({ name: 'href' })
  @ApiNoContentResponse()
  unsay(@Param('id', ParseUUIDPipe) id: string, @Query('href') href: string): Promise<void> {
    return this.verdicts.unsay(id, String(href));
  }

  @Get('books/:id/schedule')
  @ApiOkResponse({ type: ScheduleSetDto })
  async schedule(@Param('id', ParseUUIDPipe) id: string): Promise<{ schedule: CheckSchedule | null }> {
    return { schedule: await this.schedules.of(id) };
  }

  @Put('books/:id/schedule')
  @HttpCode(204)
  @ApiNoContentResponse()
  async setSchedule(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() schedule: CheckScheduleDto,
  ): Promise<void> {
    await this.shelf.bookMustBe(id);
    await this.schedules.set(id, schedule);
  }

  @Delete('books/:id/schedule')
  @HttpCode(204)
  @ApiNoContentResponse()
  unsetSchedule(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.schedules.set(id, null);
  }

  @Get('settings/checks')
  @ApiOkResponse({ type: CheckSettingsDto })
  current(): CheckSettings {
    return this.settings.current;
  }

  @Put('settings/checks')
  @ApiOkResponse({ type: CheckSettingsDto })
  async change(@Body() settings: CheckSettingsDto): Promise<CheckSettings> {
    const before = this.settings.patience;
    const changed = await this.settings.change({ ...settings });
    const { runs, days } = this.settings.patience;
    if (runs !== before.runs || days !== before.days) await this.verdicts.judgeAnew();
    return changed;
  }
}
