import { Injectable } from '@nestjs/common';
import type { Surveyed } from '../reports/report.js';
import { ChoicesService } from './choices.service.js';
import { VerdictsService } from './verdicts.service.js';

/** All that is known and chosen of a book beside its text, as reports take it. */
@Injectable()
export class SurveyedService {
  constructor(
    private readonly verdicts: VerdictsService,
    private readonly choices: ChoicesService,
  ) {}

  async of(bookId: string): Promise<Surveyed> {
    const now = new Date().toISOString();
    const answers = await this.verdicts.ofBook(bookId);
    const { rules, aside } = await this.choices.of(bookId);
    return { answers, choices: rules, aside, today: now.slice(0, 10), now };
  }
}
