export { reportBook } from './report-book.js';
export { reportEarl } from './report-earl.js';
export { SEVERITY_TITLES, VERDICT_TITLES } from './report-words.js';
export { surveyReport } from './survey-report.js';
export type { ReportedFinding, SurveyReport } from './survey-report.js';
export { CHAPTER_FATES, versionChanges } from './version-changes.js';
export type { LinkThenAndNow, VersionChanges, VersionChapter, VersionLink } from './version-changes.js';
export { whatNow } from './what-now.js';
export type { NextStep, ReadyStep, Standing, WhatNow } from './what-now.js';
