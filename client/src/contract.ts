/**
 * The contract, compared by the compiler: what the server describes of itself and the shapes of `core/wire` say the same,
 * both ways. A line that does not compile names a shape of which the two differ.
 */
import type { InsideFinding } from '@vennet/core/audit';
import type { Destination } from '@vennet/core/destination';
import type { SectionMove } from '@vennet/core/edits';
import type { Place } from '@vennet/core/manuscript';
import type { InsideRepair, Repair } from '@vennet/core/repair';
import type { ShelfFile } from '@vennet/core/shelf';
import type * as Wire from '@vennet/core/wire';
import type { components } from './schema.js';

type Described = components['schemas'];

/** `true` when each can stand for the other. */
type Same<One, Other> = [One] extends [Other] ? ([Other] extends [One] ? true : false) : false;

/** Compiles only when it is given `true`. */
type Holds<IsTrue extends true> = IsTrue;

/** The text of a chapter is open in the description: the schema of core judges it. */
type WithoutText<Shape> = Omit<Shape, 'doc'>;
type Chapters<Shape extends { chapters: object[] }> = Omit<Shape, 'chapters'> & {
  chapters: WithoutText<Shape['chapters'][number]>[];
};

export type Contract = [
  Holds<Same<Described['BookSummaryDto'], Wire.BookSummary>>,
  Holds<Same<Described['NewBookDto'], Wire.NewBook>>,
  Holds<Same<Described['BookChangesDto'], Wire.BookChanges>>,
  Holds<Same<Chapters<Described['ManuscriptDto']>, Chapters<Wire.Manuscript>>>,
  Holds<Same<Described['NewChapterDto'], Wire.NewChapter>>,
  Holds<Same<WithoutText<Described['VersionedChapterDto']>, WithoutText<Wire.VersionedChapter>>>,
  Holds<Same<WithoutText<Described['SaveChapterDto']>, WithoutText<Wire.ChapterSave>>>,
  Holds<Same<Described['ChapterSavedDto'], Wire.ChapterSaved>>,
  Holds<Same<Described['ChapterChangesDto'], Wire.ChapterChanges>>,
  Holds<Same<Described['OutlineDto'], Wire.OutlineChange>>,
  Holds<Same<Described['SectionMoveDto'], SectionMove>>,
  Holds<Same<Described['PlaceDto'], Place>>,
  Holds<Same<Described['SnapshotDto'], Wire.Snapshot>>,
  Holds<Same<Described['RepairDto'], Wire.RepairRequest>>,
  Holds<Same<Described['RepairDto']['repair'], Repair>>,
  Holds<Same<Described['RepairDto']['target'], Wire.RepairTarget>>,
  Holds<Same<Described['BulkRepairDto'], Wire.BulkRepairRequest>>,
  Holds<Same<Described['InsideRepairDto'], Wire.InsideRepairRequest>>,
  Holds<Same<Described['InsideRepairDto']['repair'], InsideRepair>>,
  Holds<Same<Described['MentionsDto'], Wire.MentionsRequest>>,
  Holds<Same<Described['FileLabelsDto'], Wire.FileLabelsRequest>>,
  Holds<Same<Described['SnapshotSeenDto'], Wire.SnapshotSeen>>,
  Holds<Same<Described['NewSnapshotDto'], Wire.NewSnapshot>>,
  Holds<Same<Described['RestoreDto'], Wire.RestoreRequest>>,
  Holds<Same<Described['FromAddressDto'], Wire.FromAddress>>,
  Holds<Same<Described['ReplaceDto'], Wire.ReplaceRequest>>,
  Holds<Same<Described['ReplaceDoneDto'], Wire.ReplaceDone>>,
  Holds<Same<Described['MentionsDto']['destination'], Destination>>,
  Holds<Same<Described['RepairDoneDto'], Wire.RepairDone>>,
  Holds<Same<Described['BookMadeDto'], Wire.BookMade>>,
  Holds<Same<Described['StartedDto'], Wire.Started>>,
  Holds<Same<Described['LinkRowDto'], Wire.LinkRow>>,
  Holds<Same<Described['InsideFindingDto'], InsideFinding>>,
  Holds<Same<Described['NewCheckDto'], Wire.NewCheck>>,
  Holds<Same<Described['CheckRunDto'], Wire.CheckRun>>,
  Holds<Same<Described['DestinationVerdictDto'], Wire.DestinationVerdict>>,
  Holds<Same<Described['VerdictChangeDto'], Wire.VerdictChange>>,
  Holds<Same<Described['DestinationHistoryDto'], Wire.DestinationHistory>>,
  Holds<Same<Described['SurveyChoicesDto'], Wire.SurveyChoices>>,
  Holds<Same<Described['NewRuleChoiceDto'], Wire.NewRuleChoice>>,
  Holds<Same<Described['SetAsideRequestDto'], Wire.SetAsideRequest>>,
  Holds<Same<Described['NewSayingDto'], Wire.NewSaying>>,
  Holds<Same<Described['CheckScheduleDto'], Wire.CheckSchedule>>,
  Holds<Same<Described['CheckSettingsDto'], Wire.CheckSettings>>,
  Holds<Same<Described['PageTitleDto'], Wire.PageTitle>>,
  Holds<Same<Described['ShelfFileDto'], ShelfFile>>,
  Holds<Same<Described['ShelfTakenDto'], Wire.ShelfTaken>>,
  Holds<Same<Described['ShelfChangesDto'], Wire.ShelfChanges>>,
  Holds<Same<Described['NewExportDto'], Wire.NewExport>>,
  Holds<Same<Described['ExportJobDto'], Wire.ExportJob>>,
  Holds<Same<Described['FormPreviewDto'], Wire.FormPreview>>,
  Holds<Same<Described['JobStatusDto'], Wire.JobStatus>>,
  Holds<Same<Described['ServerFactsDto'], Wire.ServerFacts>>,
  Holds<Same<Described['HealthDto'], Wire.Health>>,
  Holds<Same<Omit<Described['ProblemDto'], 'current'>, Omit<Wire.Problem, 'current'>>>,
];
