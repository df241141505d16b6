// Made by “npm run generate” from openapi.json; not to be changed by hand.
export interface paths {
    "/api/books": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["BooksController_list"];
        put?: never;
        post: operations["BooksController_start"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ReportsController_manuscript"];
        put?: never;
        post?: never;
        delete: operations["BooksController_remove"];
        options?: never;
        head?: never;
        patch: operations["BooksController_change"];
        trace?: never;
    };
    "/api/books/{id}/put-back": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_putBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/chapters/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["BooksController_save"];
        post?: never;
        delete: operations["OutlineController_removeChapter"];
        options?: never;
        head?: never;
        patch: operations["OutlineController_leaveOut"];
        trace?: never;
    };
    "/api/chapters/{id}/steps": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["BooksController_missed"];
        put?: never;
        post: operations["BooksController_steps"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["BooksController_news"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/repairs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_repair"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/bulk-repairs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_repairMany"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/inside-repairs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_repairInside"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/hand-made-navigation": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ReportsController_navigation"];
        put?: never;
        post: operations["BooksController_navigation"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/typed-notes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_typedNotes"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/replacements": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_replace"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/file-labels": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_labels"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/mentions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BooksController_mentions"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/outline": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["OutlineController_arrange"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/chapters": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["OutlineController_addChapter"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/chapters/{id}/title": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["OutlineController_renameChapter"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/chapters/{id}/split": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["OutlineController_splitChapter"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/chapters/{id}/join": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["OutlineController_joinChapter"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/division": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ReportsController_division"];
        put: operations["OutlineController_divide"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/sections/move": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["OutlineController_moveSection"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["OutlineController_list"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/changes/{change}/take-back": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["OutlineController_takeBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/snapshots": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["VersionsController_list"];
        put?: never;
        post: operations["VersionsController_keep"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/snapshots/{snapshot}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["VersionsController_look"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch: operations["VersionsController_name"];
        trace?: never;
    };
    "/api/books/{id}/snapshots/{snapshot}/chapters/{chapter}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["VersionsController_chapter"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/snapshots/{snapshot}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["VersionsController_restore"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/health": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["HealthController_health"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/facts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["HealthController_facts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/jobs/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["JobsController_one"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/jobs/{id}/stop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["JobsController_stop"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/jobs/{id}/events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["JobsController_events"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/enclosures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ShelfController_ofBook"];
        put?: never;
        post: operations["ShelfController_take"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/enclosures/from-address": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ShelfController_takeFromAddress"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/enclosures/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ShelfController_file"];
        put?: never;
        post?: never;
        delete: operations["ShelfController_remove"];
        options?: never;
        head?: never;
        patch: operations["ShelfController_change"];
        trace?: never;
    };
    "/api/enclosures/{id}/replace": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ShelfController_replace"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/enclosures/{id}/go-back": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ShelfController_goBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/enclosures/{id}/put-back": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ShelfController_putBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/ground/file": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["GroundController_file"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/ground/pages/{number}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["GroundController_page"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/ground/ought-to-be-links": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["GroundController_ought"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/ground/headings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["GroundController_headings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/ground/search": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["GroundController_search"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/bring-in": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["BringInController_bringIn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/carry-over/offers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["CarryOverController_offers"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/carry-over": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["CarryOverController_plan"];
        put?: never;
        post: operations["CarryOverController_carry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/checks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_ofBook"];
        put?: never;
        post: operations["ChecksController_start"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/verdicts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_verdicts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/links": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_links"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/findings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_findings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/checks/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_one"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/checks/{id}/stop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ChecksController_stop"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/checks/{id}/go-on": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ChecksController_goOn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/checks/{id}/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_changes"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/checks/{id}/events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChecksController_events"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/destinations": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["SurveyController_history"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/sayings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["SurveyController_say"];
        delete: operations["SurveyController_unsay"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/schedule": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["SurveyController_schedule"];
        put: operations["SurveyController_setSchedule"];
        post?: never;
        delete: operations["SurveyController_unsetSchedule"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/checks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["SurveyController_current"];
        put: operations["SurveyController_change"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/survey": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ChoicesController_survey"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/rules/{rule}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["ChoicesController_choose"];
        post?: never;
        delete: operations["ChoicesController_unchoose"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/set-aside": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ChoicesController_setAside"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/set-aside/show-again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["ChoicesController_showAgain"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/report": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["HandOnController_report"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/titles": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["TitlesController_title"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/addresses-asked": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["AskedController_ask"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/exports": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_ofBook"];
        put?: never;
        post: operations["PublishingController_start"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/pdf-sets": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_sets"];
        put: operations["PublishingController_keepSets"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/form-choices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_chosen"];
        put: operations["PublishingController_keepChosen"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/page-preview": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["PublishingController_preview"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/flow-preview": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["PublishingController_flowPreview"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/proofs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["PublishingController_prove"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/forms": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_forms"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/pages": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_pages"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/bundle/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_bundlePlan"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/bundle": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_bundleOfForms"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/cover": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_cover"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/shapeless-signs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_shapeless"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/fonts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_fonts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_one"];
        put?: never;
        post?: never;
        delete: operations["PublishingController_remove"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["PublishingController_again"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/stop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post: operations["PublishingController_stop"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/file": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_file"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/proof": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_proof"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/reading": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_reading"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/reading/tally": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put: operations["PublishingController_tally"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/reading/page": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_readingPage"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/exports/{id}/bundle": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["PublishingController_bundle"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/books/{id}/places": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get: operations["ReportsController_places"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        FindingCountsDto: {
            mustFix: number;
            shouldFix: number;
            consider: number;
        };
        LastCheckDto: {
            /** Format: date-time */
            at: string;
            scheduled: boolean;
            total: number;
            broken: number;
            changes: number;
            verdicts: {
                broken?: number;
                unreachable?: number;
                moved?: number;
                guarded?: number;
                doubtful?: number;
                unchecked?: number;
                sound?: number;
            };
            findings: components["schemas"]["FindingCountsDto"] | null;
        };
        BookSummaryDto: {
            id: string;
            title: string;
            subtitle: string;
            author: string;
            language: string;
            chapters: number;
            /** @description Of a book of pages, how many */
            pages: number | null;
            words: number;
            links: number;
            /** Format: date-time */
            updatedAt: string;
            /** Format: date-time */
            deletedAt: string | null;
            /** @description The last check that came to its end */
            lastCheck: components["schemas"]["LastCheckDto"] | null;
        };
        NewBookDto: {
            title: string;
            author?: string;
            /** @description BCP 47 language tag */
            language?: string;
        };
        StartedDto: {
            id: string;
        };
        LinkColoursDto: {
            light: string;
            dark: string;
        };
        LinkLookDto: {
            light: string;
            dark: string;
            /** @enum {string} */
            underline: "solid" | "dotted" | "none";
            /** @enum {string} */
            weight: "regular" | "strong";
            /** @description Of links that a reader has followed */
            visited?: components["schemas"]["LinkColoursDto"];
        };
        NotesDto: {
            /** @enum {string} */
            count: "chapter" | "book";
            /** @enum {string} */
            stand: "page" | "chapter" | "book";
            /** @description Words for the way back from a note; empty: those of the language */
            back: string;
        };
        ReturnsDto: {
            /** @description After each section down to this level of headings */
            after: number;
            to: ("top" | "contents" | "origin")[];
        };
        StructureDto: {
            /** @enum {string} */
            numbering: "none" | "decimal" | "parts";
            notes: components["schemas"]["NotesDto"];
            returns: components["schemas"]["ReturnsDto"];
            /** @description Headings down to this level are offered as places */
            offered: number;
            /** @description Headings down to this level stand in the contents */
            listed?: number;
            /**
             * @description Whom the book is for; everyone without
             * @enum {string}
             */
            readers?: "everyone" | "reviewers" | "author";
        };
        ContributorDto: {
            name: string;
            role: string;
        };
        PublicationChangesDto: {
            /** @description Each author by name, where there are several */
            authors?: string[];
            publisher?: string;
            published?: string;
            rights?: string;
            source?: string;
            identifiers?: string[];
            subjects?: string[];
            contributors?: components["schemas"]["ContributorDto"][];
            /** @description The picture of the cover; without, it is drawn of the title */
            cover?: string | null;
        };
        BookChangesDto: {
            title?: string;
            subtitle?: string;
            author?: string;
            /** @description BCP 47 language tag */
            language?: string;
            description?: string;
            /** @description Where readers get the book: a web address; empty takes it away */
            address?: string;
            /** @description How links look */
            look?: components["schemas"]["LinkLookDto"];
            structure?: components["schemas"]["StructureDto"];
            publication?: components["schemas"]["PublicationChangesDto"];
        };
        SaveChapterDto: {
            /** @description The version that the text was read at */
            version: number;
            /** @description The chapter as JSON of the schema, which core judges */
            doc: {
                [key: string]: unknown;
            };
        };
        ChapterSavedDto: {
            id: string;
            version: number;
            title: string;
        };
        StepsSentDto: {
            /** @description One that is known is acknowledged and not made twice */
            batch: string;
            /** @description The window that sends them */
            window: string;
            version: number;
            /** @description The version of the schema */
            schema: number;
            /** @description Steps as JSON, which core judges */
            steps: {
                [key: string]: unknown;
            }[];
        };
        StepsMadeDto: {
            change: string;
            window: string;
            from: number;
            /** @description Steps as JSON */
            steps: {
                [key: string]: unknown;
            }[];
        };
        VersionedChapterDto: {
            id: string;
            title: string;
            /** @enum {string} */
            matter: "front" | "main" | "back";
            /** @description The forms in which the chapter is left out */
            leftOutOf: ("epub" | "pdf" | "web" | "docx" | "odt" | "markdown")[];
            /** @description To be named by the next save */
            version: number;
            /** @description The chapter as JSON of the schema, which core judges */
            doc: {
                [key: string]: unknown;
            };
        };
        StepsAnswerDto: {
            /** @description The steps that were sent are part of the text now */
            taken: boolean;
            version: number;
            title: string;
            /** @description What came first; the steps are to be sent anew over these */
            missed: components["schemas"]["StepsMadeDto"][];
            /** @description Where the steps since then are not kept any more */
            current: components["schemas"]["VersionedChapterDto"] | null;
        };
        ChapterVersionDto: {
            id: string;
            version: number;
        };
        BookNewsDto: {
            chapters: components["schemas"]["ChapterVersionDto"][];
        };
        AddressTargetDto: {
            /** @description All uses of this address */
            href: string;
        };
        LinksTargetDto: {
            /** @description Single links, by id */
            links: string[];
        };
        WebDestinationDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            kind: "web";
            /** @description A serialised URL of http or https, or an address of tel (RFC 3966) or geo (RFC 5870) */
            href: string;
        };
        MailDestinationDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            kind: "mail";
            to: string[];
            cc: string[];
            bcc: string[];
            subject: string;
            body: string;
        };
        FileDestinationDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            kind: "file";
            /** @description The id of a file on the Shelf */
            enclosure: string;
            fragment?: string;
        };
        PlaceDestinationDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            kind: "place";
            /** @description The id of a place in the book */
            place: string;
        };
        BookDestinationDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            kind: "book";
            /** @description The id of another book */
            book: string;
            /** @description The id of a place in it */
            place?: string;
        };
        DestinationRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "destination";
            destination: components["schemas"]["WebDestinationDto"] | components["schemas"]["MailDestinationDto"] | components["schemas"]["FileDestinationDto"] | components["schemas"]["PlaceDestinationDto"] | components["schemas"]["BookDestinationDto"];
        };
        TextRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "text";
            text: string;
        };
        HoverNoteRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "hover-note";
            hoverNote: string;
        };
        LookRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "look";
            /** @description `null`: as the book’s links look */
            look: components["schemas"]["LinkLookDto"] | null;
        };
        TrimRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "trim";
        };
        UnlinkRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "unlink";
        };
        BesideRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "beside";
            destination: components["schemas"]["WebDestinationDto"] | components["schemas"]["MailDestinationDto"] | components["schemas"]["FileDestinationDto"] | components["schemas"]["PlaceDestinationDto"] | components["schemas"]["BookDestinationDto"];
            words: string;
            /** @description What the ids of the new links begin with */
            id: string;
        };
        LinkAboutDto: {
            /** @description What is heard instead of the words; empty: the words */
            name: string;
            /** @description The language of what it leads to (BCP 47), or empty */
            language: string;
            /** @description On a web page it opens a new window */
            newWindow: boolean;
            /** @description The address that it came with and that can’t be published */
            was?: string;
        };
        AboutRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "about";
            about: components["schemas"]["LinkAboutDto"] | null;
        };
        JoinRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "join";
            /** @description The link that follows this one in its line */
            link: string;
        };
        ReferenceRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "reference";
            /** @enum {string} */
            form: "words" | "number" | "number-words" | "page" | "where" | "own";
        };
        AreaBoxRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "area-box";
            /** @description Shares of the picture, 0 to 1 */
            x: number;
            y: number;
            width: number;
            height: number;
        };
        MakeNoteRepairDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "make-note";
        };
        RepairDto: {
            target: components["schemas"]["AddressTargetDto"] | components["schemas"]["LinksTargetDto"];
            repair: components["schemas"]["DestinationRepairDto"] | components["schemas"]["TextRepairDto"] | components["schemas"]["HoverNoteRepairDto"] | components["schemas"]["LookRepairDto"] | components["schemas"]["TrimRepairDto"] | components["schemas"]["UnlinkRepairDto"] | components["schemas"]["BesideRepairDto"] | components["schemas"]["AboutRepairDto"] | components["schemas"]["JoinRepairDto"] | components["schemas"]["ReferenceRepairDto"] | components["schemas"]["AreaBoxRepairDto"] | components["schemas"]["MakeNoteRepairDto"];
        };
        RepairDoneDto: {
            changed: number;
            /** @description By which it is taken back; `null` where nothing was changed */
            change: string | null;
            /** @description The book as it was before; `null` where nothing was changed */
            snapshot: string | null;
        };
        LinkWasDto: {
            href: string;
            text: string;
        };
        PlannedRepairDto: {
            link: string;
            /** @description As it was when this was previewed; a link that is otherwise now is passed over */
            was: components["schemas"]["LinkWasDto"];
            repairs: (components["schemas"]["DestinationRepairDto"] | components["schemas"]["TextRepairDto"] | components["schemas"]["HoverNoteRepairDto"] | components["schemas"]["LookRepairDto"] | components["schemas"]["TrimRepairDto"] | components["schemas"]["UnlinkRepairDto"] | components["schemas"]["BesideRepairDto"] | components["schemas"]["AboutRepairDto"] | components["schemas"]["JoinRepairDto"] | components["schemas"]["ReferenceRepairDto"] | components["schemas"]["AreaBoxRepairDto"] | components["schemas"]["MakeNoteRepairDto"])[];
        };
        BulkRepairDto: {
            /** @description What is done, for the list of versions */
            words: string;
            planned: components["schemas"]["PlannedRepairDto"][];
        };
        RemoveBookmarkDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "remove-bookmark";
        };
        RenameBookmarkDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "rename-bookmark";
            name: string;
        };
        NewIdDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "new-id";
        };
        RemoveNoteDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "remove-note";
        };
        RemoveNodeDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "remove-node";
        };
        DepthDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "depth";
            depth: number;
        };
        WholeBookDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "whole-book";
        };
        ReturnToDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "return-to";
            /** @enum {string} */
            to: "top" | "contents" | "origin" | "list";
        };
        RemoveBlockDto: {
            /**
             * @description discriminator enum property added by openapi-typescript
             * @enum {string}
             */
            type: "remove-block";
            /** @description The words of the block, as they were when the repair was offered */
            words: string;
        };
        InsideTargetDto: {
            id: string;
            chapter: string;
            /** @description Its position in the chapter, where it has no id */
            at: number;
            /** @enum {string} */
            kind?: "bookmark" | "place" | "note" | "mark" | "remark" | "contents" | "return" | "look" | "pages";
            words?: string;
        };
        InsideRepairDto: {
            target: components["schemas"]["InsideTargetDto"];
            repair: components["schemas"]["RemoveBookmarkDto"] | components["schemas"]["RenameBookmarkDto"] | components["schemas"]["NewIdDto"] | components["schemas"]["RemoveNoteDto"] | components["schemas"]["RemoveNodeDto"] | components["schemas"]["DepthDto"] | components["schemas"]["WholeBookDto"] | components["schemas"]["ReturnToDto"] | components["schemas"]["RemoveBlockDto"];
        };
        NavigationRequestDto: {
            /** @description The keys of the pieces that are made real */
            take: string[];
        };
        FindSearchDto: {
            words: string;
            matchCase: boolean;
            wholeWords: boolean;
            ignoreAccents: boolean;
            /** @description Chapters to look through; `null` for the whole book */
            chapters: string[] | null;
            /** @description The addresses of links are searched too */
            addresses: boolean;
        };
        ReplaceDto: {
            search: components["schemas"]["FindSearchDto"];
            by: string;
        };
        ReplaceDoneDto: {
            changed: number;
            /** @description By which it is taken back; `null` where nothing was changed */
            change: string | null;
            /** @description The book as it was before; `null` where nothing was changed */
            snapshot: string | null;
            /** @description What stays, since a link would be left without words or an address would be none */
            left: number;
        };
        FileLabelDto: {
            chapter: string;
            from: number;
            to: number;
            text: string;
            before?: string;
            after?: string;
            /** @description The file that it leads to */
            enclosure: string;
        };
        FileLabelsDto: {
            labels: components["schemas"]["FileLabelDto"][];
        };
        MentionDto: {
            chapter: string;
            from: number;
            to: number;
            text: string;
            before?: string;
            after?: string;
        };
        MentionsDto: {
            destination: components["schemas"]["WebDestinationDto"] | components["schemas"]["MailDestinationDto"] | components["schemas"]["FileDestinationDto"] | components["schemas"]["PlaceDestinationDto"] | components["schemas"]["BookDestinationDto"];
            hoverNote: string;
            look: components["schemas"]["LinkLookDto"] | null;
            mentions: components["schemas"]["MentionDto"][];
        };
        ChapterPlaceDto: {
            id: string;
            /** @enum {string} */
            matter: "front" | "main" | "back";
        };
        OutlineDto: {
            /** @description Every chapter of the book, in its new order */
            chapters: components["schemas"]["ChapterPlaceDto"][];
        };
        ChapterMadeDto: {
            /** @description By which it is taken back; `null` where nothing was changed */
            change: string | null;
            /** @description The chapter that it is about now */
            chapter: string | null;
        };
        NewChapterDto: {
            title: string;
            /** @description The chapter after which it comes; at the end without one */
            after?: string;
        };
        ChapterAddedDto: {
            id: string;
            title: string;
            /** @enum {string} */
            matter: "front" | "main" | "back";
            /** @description The forms in which the chapter is left out */
            leftOutOf: ("epub" | "pdf" | "web" | "docx" | "odt" | "markdown")[];
            /** @description To be named by the next save */
            version: number;
            /** @description The chapter as JSON of the schema, which core judges */
            doc: {
                [key: string]: unknown;
            };
            /** @description By which it is taken out again */
            change: string | null;
        };
        ChapterTitleDto: {
            title: string;
        };
        ChapterSplitDto: {
            /** @description The position of the block that is to be the first of the new chapter */
            before: number;
        };
        ChapterChangesDto: {
            /** @description The forms in which the chapter is left out */
            leftOutOf: ("epub" | "pdf" | "web" | "docx" | "odt" | "markdown")[];
        };
        DivisionChangeDto: {
            /** @description The places at which chapters begin; the first line of the book always does */
            begins: string[];
        };
        SectionDto: {
            chapter: string;
            /** @description The heading of the section */
            section: string;
        };
        SectionSpotDto: {
            chapter: string;
            /** @description The heading before which it goes; `null`: the end of the chapter */
            before: string | null;
        };
        SectionMoveDto: {
            from: components["schemas"]["SectionDto"];
            to: components["schemas"]["SectionSpotDto"];
        };
        BookChangeDto: {
            id: string;
            words: string;
            /** Format: date-time */
            createdAt: string;
        };
        TakenBackDto: {
            /** @description How many chapters got another text */
            changed: number;
            /** @description The taking back, which is a change too */
            change: string | null;
            /** @description By name, what can’t be taken back, since it was changed again */
            left: string[];
        };
        SnapshotDto: {
            id: string;
            reason: string;
            /** @description By what name it is kept; empty where it may go with time */
            name: string;
            /** Format: date-time */
            createdAt: string;
        };
        NewSnapshotDto: {
            /** @description The name; empty lets it go with time */
            name: string;
        };
        WordCountsDto: {
            before: number;
            after: number;
        };
        VersionChapterDto: {
            id: string;
            title: string;
            words: number;
            /** @enum {string} */
            fate: "same" | "changed" | "gone";
        };
        VersionLinkDto: {
            id: string;
            text: string;
            href: string;
        };
        LinkThenAndNowDto: {
            id: string;
            before: components["schemas"]["VersionLinkDto"];
            after: components["schemas"]["VersionLinkDto"];
        };
        LinkChangesDto: {
            added: components["schemas"]["VersionLinkDto"][];
            gone: components["schemas"]["VersionLinkDto"][];
            changed: components["schemas"]["LinkThenAndNowDto"][];
        };
        VersionChangesDto: {
            words: components["schemas"]["WordCountsDto"];
            chapters: components["schemas"]["VersionChapterDto"][];
            /** @description Titles of chapters that came since */
            added: string[];
            links: components["schemas"]["LinkChangesDto"];
        };
        SnapshotSeenDto: {
            id: string;
            reason: string;
            /** @description By what name it is kept; empty where it may go with time */
            name: string;
            /** Format: date-time */
            createdAt: string;
            since: components["schemas"]["VersionChangesDto"];
        };
        RestoreDto: {
            /** @description One chapter alone */
            chapter?: string;
        };
        HealthDto: {
            /** @enum {string} */
            status: "ok";
            /** @enum {string} */
            database: "ok";
        };
        ServerFactsDto: {
            /** @description The port of the stand-in world; `null` when there is none */
            worldPort: number | null;
        };
        ReportLineDto: {
            what: string;
            count: number;
            /** @description Why it is not as it was */
            why?: string;
        };
        BringInReportDto: {
            kept: components["schemas"]["ReportLineDto"][];
            changed: components["schemas"]["ReportLineDto"][];
            leftOut: components["schemas"]["ReportLineDto"][];
        };
        BookMadeDto: {
            id: string;
            report: components["schemas"]["BringInReportDto"];
        };
        JobStatusDto: {
            id: string;
            /** @enum {string} */
            kind: "bring-in" | "check" | "export" | "pages";
            /** @enum {string} */
            state: "waiting" | "running" | "done" | "failed" | "stopped";
            /** @description What is being done */
            stage: string;
            done: number;
            /** @description 0 while nobody knows how much there is to do */
            total: number;
            /** @description Why it failed, for the author */
            message: string;
            /**
             * @description What it failed for the want of
             * @enum {string|null}
             */
            wants: "password" | null;
            /** @description The book that a bringing in has made */
            made: components["schemas"]["BookMadeDto"] | null;
        };
        PixelsDto: {
            width: number;
            height: number;
        };
        ShelfFileDto: {
            id: string;
            name: string;
            /** @description Media type, told by the content */
            type: string;
            /** @description What its name says that it is, when its content is something else */
            claims: string | null;
            /** @description In bytes */
            size: number;
            sha256: string;
            /** @description The size of a picture, in its own pixels */
            pixels?: components["schemas"]["PixelsDto"] | null;
            description: string;
            /** @enum {string} */
            opensFor: "everyone" | "reviewers" | "author";
            /** @enum {string} */
            travels: "inside" | "beside" | "public";
            /** @description Where readers get it, when it is at a public address */
            address: string | null;
            /** @description How many versions before this one can be gone back to */
            earlier?: number;
        };
        ShelfTakenDto: {
            file: components["schemas"]["ShelfFileDto"];
            /** @description What the author should know of the file */
            notes: string[];
        };
        FromAddressDto: {
            address: string;
        };
        ShelfChangesDto: {
            name?: string;
            description?: string;
            /** @enum {string} */
            opensFor?: "everyone" | "reviewers" | "author";
            /** @enum {string} */
            travels?: "inside" | "beside" | "public";
            /** @description A web address; empty takes it away */
            address?: string;
        };
        PageTextDto: {
            lines: {
                x: number;
                y: number;
                width: number;
                height: number;
                text: string;
                /**
                 * @description Its words run down the page as it is shown (90, in degrees clockwise), or up (270)
                 * @enum {integer}
                 */
                turned?: 90 | 270;
                /** @description Where each sign begins, and where the last one ends, as shares of the length; left out where all are equally long */
                edges?: number[];
                /**
                 * @description Nobody sees it: it is drawn without ink, or behind a picture
                 * @enum {boolean}
                 */
                unseen?: true;
            }[][];
            pictures: {
                x: number;
                y: number;
                width: number;
                height: number;
                /** @description By which the same picture is known in another file; left out where nothing can be told of it */
                look?: string;
            }[];
        };
        SpotToMakeDto: {
            page: number;
            name: string;
            /** @description As a share of the page */
            x: number;
            /** @description As a share of the page */
            y: number;
        };
        OughtToBeLinkDto: {
            /** @description The same each time that the same pages are read */
            key: string;
            /** @enum {string} */
            kind: "address" | "book" | "overlaid" | "contents" | "page" | "section" | "figure" | "table" | "note" | "back" | "way";
            page: number;
            /** @description Further pages on which the same stands at the same spot */
            also: number[];
            /** @description Empty where nothing is read */
            words: string;
            lines: {
                x: number;
                y: number;
                width: number;
                height: number;
            }[];
            /** @description It is no words but a picture, which needs a name */
            isPicture: boolean;
            /** @description null where a spot has to be made for it, or only the author knows */
            destination: (components["schemas"]["WebDestinationDto"] | components["schemas"]["MailDestinationDto"] | components["schemas"]["FileDestinationDto"] | components["schemas"]["PlaceDestinationDto"] | components["schemas"]["BookDestinationDto"]) | null;
            spot: components["schemas"]["SpotToMakeDto"] | null;
            /** @enum {string} */
            sureness: "sure" | "likely" | "look";
            /** @description Why it is taken for a link */
            why: string;
        };
        FoundHeadingDto: {
            title: string;
            level: number;
            page: number;
            /** @description Where it stands, as a share of the page */
            y: number;
        };
        PageHitDto: {
            page: number;
            /** @description The index of the line */
            line: number;
            from: number;
            to: number;
            /** @description The whole line */
            text: string;
        };
        CarryOfferDto: {
            id: string;
            title: string;
            author: string;
            /** Format: date-time */
            updatedAt: string;
            /**
             * @description What agrees
             * @enum {string}
             */
            because: "identifier" | "title" | "words";
        };
        BoxDto: {
            x: number;
            y: number;
            width: number;
            height: number;
        };
        PassageOnDto: {
            /** @description From 1 */
            page: number;
            box: components["schemas"]["BoxDto"];
        };
        PassageDto: {
            chapter: string;
            before: string;
            words: string;
            after: string;
            /** @description In a book of pages: where it stands */
            on?: components["schemas"]["PassageOnDto"];
        };
        CarriedDto: {
            id: string;
            /** @enum {string} */
            kind: "link" | "bookmark" | "note" | "mark of a note" | "reference" | "return link" | "picture link" | "areas" | "contents" | "spot" | "entry";
            /** @description Where it leads, or what it says */
            about: string;
            /** @enum {string} */
            fate: "sure" | "look" | "gone" | "there";
            /** @description Why it is to be looked at, or has no spot; empty for any other */
            why: string;
            old: components["schemas"]["PassageDto"];
            new: components["schemas"]["PassageDto"] | null;
        };
        CarryItemsDto: {
            items: components["schemas"]["CarriedDto"][];
        };
        CarryRequestDto: {
            /** @description The id of the older book */
            from: string;
            /** @description What is taken: the kind and the id of each thing, with a space between */
            take: string[];
        };
        NewCheckDto: {
            /** @description Only these addresses; all of the book without them */
            hrefs?: string[];
            /** @description Ask also for addresses that are to come into the book */
            candidates?: boolean;
            /**
             * @description Only what this says
             * @enum {string}
             */
            scope?: "changed" | "failures" | "older";
            /** @description For `older`: not looked at for so many days */
            days?: number;
        };
        CheckRunDto: {
            id: string;
            /** @enum {string} */
            state: "waiting" | "running" | "done" | "failed" | "stopped";
            done: number;
            total: number;
            /** Format: date-time */
            createdAt: string;
            /** Format: date-time */
            finishedAt: string | null;
            /** @enum {string} */
            scope: "all" | "chosen" | "changed" | "failures" | "older";
            /** @description It was started by the schedule */
            scheduled: boolean;
            /** @description How many are otherwise than before; null until it has ended */
            changes: number | null;
            /** @description How many destinations got each verdict */
            verdicts: {
                broken?: number;
                unreachable?: number;
                moved?: number;
                guarded?: number;
                doubtful?: number;
                unchecked?: number;
                sound?: number;
            };
            /** @description What was found of the links when it ended */
            findings: components["schemas"]["FindingCountsDto"] | null;
        };
        ArchivedCopyDto: {
            href: string;
            /** Format: date-time */
            at: string;
        };
        SaidDto: {
            /** @enum {string} */
            saw: "opens" | "does-not-open";
            /**
             * @description For whom it opens
             * @enum {string}
             */
            readers: "everyone" | "members" | "house";
            from: string;
            note: string;
            /** Format: date-time */
            at: string;
            /** Format: date-time */
            until: string;
        };
        DestinationVerdictDto: {
            href: string;
            /** @enum {string} */
            verdict: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound";
            /** @description What was found, in a sentence for the author */
            reason: string;
            /** @description The sign that decided; empty for none */
            sign: string;
            /** @description What was found, quoted */
            quote: string;
            /** @description The address to put instead */
            movedTo: string | null;
            /** @description The same page by HTTPS */
            securedTo: string | null;
            /** @description A copy in an archive */
            copy: components["schemas"]["ArchivedCopyDto"] | null;
            /** @description What the author said of it */
            said: components["schemas"]["SaidDto"] | null;
            /** @description The title of the page; empty where it is not known */
            title: string;
            /** @description The language of the page (BCP 47); empty where it is not known */
            language: string;
            /** Format: date-time */
            checkedAt: string;
        };
        LinkFindingDto: {
            rule: string;
            /** @enum {string} */
            severity: "must-fix" | "should-fix" | "consider";
            message: string;
        };
        LinkRowDto: {
            id: string;
            /** @enum {string} */
            kind: "web" | "mail" | "file" | "place" | "book";
            /** @description As a web page would have it */
            href: string;
            text: string;
            chapter: string;
            /** @enum {string} */
            verdict: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound";
            findings: components["schemas"]["LinkFindingDto"][];
        };
        InsideSubjectDto: {
            id: string;
            /** @enum {string} */
            kind: "bookmark" | "place" | "note" | "mark" | "remark" | "contents" | "return" | "look" | "pages";
            chapter: string;
            /** @description Its position in the chapter */
            at: number;
            words: string;
        };
        InsideRepairOfferDto: {
            label: string;
            repair: components["schemas"]["RemoveBookmarkDto"] | components["schemas"]["RenameBookmarkDto"] | components["schemas"]["NewIdDto"] | components["schemas"]["RemoveNoteDto"] | components["schemas"]["RemoveNodeDto"] | components["schemas"]["DepthDto"] | components["schemas"]["WholeBookDto"] | components["schemas"]["ReturnToDto"] | components["schemas"]["RemoveBlockDto"];
        };
        InsideFindingDto: {
            subject: components["schemas"]["InsideSubjectDto"];
            rule: string;
            /** @enum {string} */
            severity: "must-fix" | "should-fix" | "consider";
            message: string;
            /** @description What the rule rests on */
            criterion: string;
            repairs: components["schemas"]["InsideRepairOfferDto"][];
        };
        VerdictChangeDto: {
            href: string;
            /**
             * @description null for what had never been looked at
             * @enum {string|null}
             */
            was: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound" | null;
            /** @enum {string} */
            is: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound";
        };
        HopDto: {
            href: string;
            status: number;
            /** @description Where it leads, resolved */
            location: string;
            /**
             * @description What sent on, where it was not the status
             * @enum {string}
             */
            by?: "refresh";
        };
        HeaderSeenDto: {
            name: string;
            value: string;
        };
        AskedDto: {
            /** Format: date-time */
            at: string;
            /** @enum {string} */
            method: "GET" | "MX" | "A";
            href: string;
            /** @enum {string} */
            why?: "robots" | "nonsense" | "secure" | "archive" | "lenient" | "title";
            status?: number;
            /** @enum {string} */
            failure?: "unknown-name" | "name-fault" | "refused" | "timeout" | "reset" | "certificate" | "protocol" | "unpackable" | "private-address" | "redirect-loop" | "too-many-redirects" | "bad-redirect" | "robots" | "robots-unknown" | "resting";
            /** @description The word of the system for the failure */
            code?: string;
            /** @description In ms */
            time: number;
            /** @description The rest before it, in ms */
            rest?: number;
            /** @description The headers that mattered */
            headers?: components["schemas"]["HeaderSeenDto"][];
        };
        DestinationSeenDto: {
            /** Format: date-time */
            checkedAt: string;
            /** @enum {string} */
            verdict: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound";
            reason: string;
        };
        DestinationHistoryDto: {
            href: string;
            /** @description Of the page */
            title: string;
            hops: components["schemas"]["HopDto"][];
            requests: components["schemas"]["AskedDto"][];
            /** @description The newest first */
            seen: components["schemas"]["DestinationSeenDto"][];
        };
        NewSayingDto: {
            /** @enum {string} */
            saw: "opens" | "does-not-open";
            /**
             * @description For whom it opens
             * @enum {string}
             */
            readers: "everyone" | "members" | "house";
            from: string;
            note: string;
            href: string;
        };
        CheckScheduleDto: {
            /** @enum {string} */
            every: "day" | "week";
            /** @description For a week: 1 is Monday */
            weekday: number;
            time: string;
            zone: string;
        };
        ScheduleSetDto: {
            schedule: components["schemas"]["CheckScheduleDto"] | null;
        };
        CheckSettingsDto: {
            perSecond: number;
            atOnce: number;
            robots: boolean;
            contact: string;
            timeGate: string;
            saidDays: number;
            brokenRuns: number;
            brokenDays: number;
        };
        RuleChoiceDto: {
            rule: string;
            /** @enum {string} */
            severity: "must-fix" | "should-fix" | "consider" | "off";
            /** @description Why, in the author’s words */
            reason: string;
            /** Format: date-time */
            at: string;
        };
        SetAsideDto: {
            /** @description The rule, or `verdict` */
            rule: string;
            /** @description The link by its id; for a verdict the address */
            of: string;
            /** @description What it is set aside for: words, address and verdict of this moment */
            print: string;
            /** @description Why, in the author’s words */
            reason: string;
            /** @description The last day on which it holds (ISO 8601); empty for as long as nothing changes */
            until: string;
            id: string;
            author: string;
            /** Format: date-time */
            at: string;
        };
        SurveyChoicesDto: {
            rules: components["schemas"]["RuleChoiceDto"][];
            aside: components["schemas"]["SetAsideDto"][];
        };
        NewRuleChoiceDto: {
            /** @enum {string} */
            severity: "must-fix" | "should-fix" | "consider" | "off";
            /** @description Why, in the author’s words */
            reason: string;
        };
        NewSetAsideDto: {
            /** @description The rule, or `verdict` */
            rule: string;
            /** @description The link by its id; for a verdict the address */
            of: string;
            /** @description What it is set aside for: words, address and verdict of this moment */
            print: string;
            /** @description Why, in the author’s words */
            reason: string;
            /** @description The last day on which it holds (ISO 8601); empty for as long as nothing changes */
            until: string;
        };
        SetAsideRequestDto: {
            entries: components["schemas"]["NewSetAsideDto"][];
        };
        ShowAgainDto: {
            ids: string[];
        };
        PageTitleDto: {
            title: string;
            /** @description The same as words for a link */
            words: string;
        };
        AskedAddressesDto: {
            addresses: string[];
        };
        AddressVerdictDto: {
            href: string;
            /** @enum {string} */
            verdict: "broken" | "unreachable" | "moved" | "guarded" | "doubtful" | "unchecked" | "sound";
            /** @description What was found, in a sentence for the author */
            reason: string;
            /** @description The address to put instead */
            movedTo: string | null;
            /** @description The title of the page; empty where it is not known */
            title: string;
        };
        ExportChoicesDto: {
            /** @enum {string} */
            page?: "a4" | "a5" | "letter" | "6x9" | "5.5x8.5" | "eink-6" | "eink-7.8" | "eink-10.3" | "own";
            /** @description Of a page of one’s own, in mm */
            width?: number;
            /** @description Of a page of one’s own, in mm */
            height?: number;
            /** @description The margin at the spine, in mm */
            inner?: number;
            /** @description In mm */
            outer?: number;
            /** @description In mm */
            top?: number;
            /** @description In mm */
            bottom?: number;
            /** @description Of the type, in points */
            size?: number;
            /** @description In sizes of the type */
            lineHeight?: number;
            /** @enum {string} */
            edge?: "justified" | "ragged";
            hyphens?: boolean;
            /** @description The first or the last line of a paragraph may stand alone on a page */
            widows?: boolean;
            /**
             * @description What stands above each page
             * @enum {string}
             */
            head?: "none" | "title" | "chapter";
            /** @description A way back to the contents stands at the foot of each page */
            back?: boolean;
            /**
             * @description Where the numbers of pages stand
             * @enum {string}
             */
            numbers?: "foot" | "head" | "none";
            /**
             * @description How pages before the text are counted
             * @enum {string}
             */
            front?: "roman" | "none";
            /**
             * @description On which pages chapters begin
             * @enum {string}
             */
            chapters?: "any" | "right";
            /** @enum {string} */
            ink?: "colour" | "grey";
            /**
             * @description Where addresses are printed
             * @enum {string}
             */
            addresses?: "none" | "foot" | "list" | "qr";
            /** @description The links that get a code: by their ids, or all of one look by what it is called; empty for every link */
            codesFor?: string[];
            /** @description A list of the pages of the web that the book leads to stands at its end */
            sources?: boolean;
            /** @description Other books without an address lie beside it, and links lead to them there */
            companions?: boolean;
            /**
             * @description Of the text; a PDF has no face of its reader’s
             * @enum {string}
             */
            face?: "reader" | "serif" | "sans";
            /** @enum {string} */
            paragraphs?: "spaced" | "indented";
            /** @description Of an e-book: the set of a PDF whose pages it lists, by its id */
            pageSet?: string;
            /**
             * @description Of a web page: all on one, or each chapter on its own
             * @enum {string}
             */
            split?: "one" | "chapters";
            /**
             * @description Of a web page: how a link that opens a window is told
             * @enum {string}
             */
            windows?: "told" | "marked";
            /**
             * @description Of a book of pages: behind its old bytes, which stay as they are, or all of it anew
             * @enum {string}
             */
            write?: "addition" | "anew";
            /** @description A set of the book’s, by its id or its name */
            set?: string;
        };
        NewExportDto: {
            /** @enum {string} */
            format: "epub" | "pdf" | "web" | "docx" | "odt" | "markdown";
            choices?: components["schemas"]["ExportChoicesDto"];
        };
        LostLinkDto: {
            id: string;
            href: string;
            text: string;
            chapter: string;
        };
        ChangedLinkDto: {
            id: string;
            href: string;
            text: string;
            chapter: string;
            foundHref: string;
            foundText: string;
            where: string;
            /** @enum {string} */
            change: "address" | "words" | "target" | "place" | "note";
        };
        ProofPartDto: {
            expected: number;
            found: number;
            lost: components["schemas"]["LostLinkDto"][];
            changed: components["schemas"]["ChangedLinkDto"][];
        };
        PrintedPartDto: {
            expected: number;
            found: number;
            lost: components["schemas"]["LostLinkDto"][];
        };
        AddedLinkDto: {
            href: string;
            text: string;
            where: string;
        };
        CutOffLineDto: {
            text: string;
            where: string;
        };
        ProofDto: {
            expected: number;
            found: number;
            lost: components["schemas"]["LostLinkDto"][];
            changed: components["schemas"]["ChangedLinkDto"][];
            /** @description The links that Vennet makes itself */
            computed: components["schemas"]["ProofPartDto"];
            /** @description Addresses that are printed; left out where none are */
            printed?: components["schemas"]["PrintedPartDto"];
            /** @description Links in the file that the book does not have */
            added: components["schemas"]["AddedLinkDto"][];
            /** @description Lines that run off their page: what is outside of it is lost */
            cutOff: components["schemas"]["CutOffLineDto"][];
        };
        ToldLinkDto: {
            id: string;
            text: string;
            chapter: string;
        };
        LossDto: {
            what: string;
            count: number;
            why: string;
            /** @description The links that it is told of, as far as it is told of the author’s */
            links: components["schemas"]["ToldLinkDto"][];
        };
        ExportJobDto: {
            id: string;
            /** @enum {string} */
            format: "epub" | "pdf" | "web" | "docx" | "odt" | "markdown";
            /** @enum {string} */
            state: "waiting" | "running" | "done" | "failed" | "stopped";
            /** @description What is being done, while it runs */
            stage: string;
            done: number;
            total: number;
            /** @description Why it failed, for the author */
            message: string;
            /** @description What is not as it should be in the made file, beside its links */
            notes: string[];
            proof: components["schemas"]["ProofDto"] | null;
            /** @description In bytes */
            size: number | null;
            fileName: string;
            /** @description With which it was made, where it has some */
            choices: components["schemas"]["ExportChoicesDto"];
            /** @description How many files readers need next to it */
            beside: number;
            /** @description The book has changed since it was made */
            isOutdated: boolean;
            /** @description What was known before to be different in it */
            losses: components["schemas"]["LossDto"][];
            /** @description The version of the book that it was made of */
            snapshot: string | null;
            /** Format: date-time */
            createdAt: string;
            /** Format: date-time */
            finishedAt: string | null;
        };
        PdfChoicesDto: {
            /** @enum {string} */
            page: "a4" | "a5" | "letter" | "6x9" | "5.5x8.5" | "eink-6" | "eink-7.8" | "eink-10.3" | "own";
            /** @description Of a page of one’s own, in mm */
            width: number;
            /** @description Of a page of one’s own, in mm */
            height: number;
            /** @description The margin at the spine, in mm */
            inner: number;
            /** @description In mm */
            outer: number;
            /** @description In mm */
            top: number;
            /** @description In mm */
            bottom: number;
            /** @enum {string} */
            face: "serif" | "sans";
            /** @description Of the type, in points */
            size: number;
            /** @description In sizes of the type */
            lineHeight: number;
            /** @enum {string} */
            edge: "justified" | "ragged";
            hyphens: boolean;
            /** @description The first or the last line of a paragraph may stand alone on a page */
            widows: boolean;
            /**
             * @description What stands above each page
             * @enum {string}
             */
            head: "none" | "title" | "chapter";
            /** @description A way back to the contents stands at the foot of each page */
            back: boolean;
            /**
             * @description Where the numbers of pages stand
             * @enum {string}
             */
            numbers: "foot" | "head" | "none";
            /**
             * @description How pages before the text are counted
             * @enum {string}
             */
            front: "roman" | "none";
            /**
             * @description On which pages chapters begin
             * @enum {string}
             */
            chapters: "any" | "right";
            /** @enum {string} */
            ink: "colour" | "grey";
            /**
             * @description Where addresses are printed
             * @enum {string}
             */
            addresses: "none" | "foot" | "list" | "qr";
            /** @description The links that get a code: by their ids, or all of one look by what it is called; empty for every link */
            codesFor: string[];
            /** @description A list of the pages of the web that the book leads to stands at its end */
            sources: boolean;
            /** @description Other books without an address lie beside it, and links lead to them there */
            companions: boolean;
        };
        PdfSetDto: {
            id: string;
            name: string;
            choices: components["schemas"]["PdfChoicesDto"];
        };
        PdfSetsDto: {
            /** @description The id of the set that holds where nothing else is said */
            own: string;
            sets: components["schemas"]["PdfSetDto"][];
        };
        FlowChoicesDto: {
            /**
             * @description Of the text; a PDF has no face of its reader’s
             * @enum {string}
             */
            face: "reader" | "serif" | "sans";
            /** @enum {string} */
            edge: "justified" | "ragged";
            /** @enum {string} */
            paragraphs: "spaced" | "indented";
            hyphens: boolean;
            /** @description A list of the pages of the web that the book leads to stands at its end */
            sources: boolean;
            /** @description Of an e-book: the set of a PDF whose pages it lists, by its id */
            pageSet: string;
            /**
             * @description Of a web page: all on one, or each chapter on its own
             * @enum {string}
             */
            split: "one" | "chapters";
            /**
             * @description Of a web page: how a link that opens a window is told
             * @enum {string}
             */
            windows: "told" | "marked";
            /** @description Other books without an address lie beside it, and links lead to them there */
            companions: boolean;
        };
        FormChoicesDto: {
            epub: components["schemas"]["FlowChoicesDto"];
            web: components["schemas"]["FlowChoicesDto"];
            docx: components["schemas"]["FlowChoicesDto"];
            odt: components["schemas"]["FlowChoicesDto"];
            markdown: components["schemas"]["FlowChoicesDto"];
        };
        PagePreviewDto: {
            choices: components["schemas"]["PdfChoicesDto"];
            /** @description The id of the chapter; without one the first */
            chapter?: string;
        };
        FlowPreviewDto: {
            /** @enum {string} */
            format: "epub" | "web";
            choices: components["schemas"]["FlowChoicesDto"];
            /** @description The id of the chapter; without one the first */
            chapter?: string;
        };
        ProvedFindingDto: {
            rule: string;
            /** @enum {string} */
            severity: "must-fix" | "should-fix" | "consider";
            message: string;
        };
        ProvedLinkDto: {
            /** @enum {string} */
            state: "lost" | "changed" | "found" | "looks";
            /** @description Of the book’s own link, where it is lost or changed; else empty */
            id: string;
            chapter: string;
            href: string;
            text: string;
            /** @description Where it stands in the file, for a person */
            where: string;
            /** @description What is otherwise than in the book */
            about: string;
            findings: components["schemas"]["ProvedFindingDto"][];
        };
        AnyProofDto: {
            name: string;
            /** @enum {string} */
            kind: "epub" | "pdf" | "web";
            title: string;
            /** @description Against the book, if the file was made of it */
            proof: components["schemas"]["ProofDto"] | null;
            links: components["schemas"]["ProvedLinkDto"][];
        };
        FormPreviewDto: {
            /** @enum {string} */
            format: "epub" | "pdf" | "web" | "docx" | "odt" | "markdown";
            links: number;
            losses: components["schemas"]["LossDto"][];
        };
        BundledFileDto: {
            path: string;
            /** @description In bytes */
            size: number;
        };
        BundlePlanDto: {
            files: components["schemas"]["BundledFileDto"][];
            /** @description What is missing in it, each with what to do */
            missing: string[];
        };
        ShapelessSignDto: {
            sign: string;
            chapter: string;
            words: string;
            fonts: string;
        };
        FontOfScriptDto: {
            family: string;
            /** @enum {string} */
            from: "shipped" | "shelf" | "machine";
        };
        ScriptFontsDto: {
            script: string;
            fonts: components["schemas"]["FontOfScriptDto"][];
            /** @description How many different letters no font has a shape for */
            missing: number;
            /** @description A package of Debian that has a font for it, where letters are missing */
            debian: string;
            /** @description A package of npm */
            npm: string;
        };
        BookFontsDto: {
            scripts: components["schemas"]["ScriptFontsDto"][];
            /** @description Why fonts of the Shelf are not used */
            refused: string[];
        };
        ProofRowDto: {
            id: string;
            href: string;
            text: string;
            chapter: string;
            /** @enum {string} */
            state: "lost" | "changed" | "found";
            /**
             * @description What of it is not as the book has it
             * @enum {string|null}
             */
            change: "address" | "words" | "target" | "place" | "note" | null;
            /** @description What stands in the file; empty where it is lost */
            foundHref: string;
            foundText: string;
            /** @description What is said where it is hovered over */
            note: string;
            /** @description The words where it lands, if it leads to a place inside */
            landing: string;
            where: string;
            /** @description Where it can be pressed, of a PDF: left, bottom, right and top, in points */
            areas: [
                number,
                number,
                number,
                number
            ][];
            /** @description Which of the links of its file it is, of a form of HTML, from 0 */
            nth: number | null;
        };
        ReadingPageDto: {
            path: string;
            title: string;
            /** @description How many links it has */
            links: number;
        };
        ReadingDto: {
            /** @description Each by the path of its page and its number there, as “path number” */
            tried: string[];
            /** @enum {string} */
            format: "epub" | "pdf" | "web" | "docx" | "odt" | "markdown";
            fileName: string;
            /** @description In their order; a PDF has them itself */
            pages: components["schemas"]["ReadingPageDto"][];
        };
        ReadingTallyDto: {
            /** @description Each by the path of its page and its number there, as “path number” */
            tried: string[];
        };
        PublicationDto: {
            /** @description Each author by name, where there are several */
            authors: string[];
            publisher: string;
            published: string;
            rights: string;
            source: string;
            identifiers: string[];
            subjects: string[];
            contributors: components["schemas"]["ContributorDto"][];
            /** @description The picture of the cover; without, it is drawn of the title */
            cover: string | null;
        };
        GroundDto: {
            sha256: string;
            name: string;
            /** @description In bytes */
            size: number;
            pages: number;
            /** @description Its structure is tagged */
            tagged: boolean;
            signed: boolean;
            /** @description What a signature lets be changed (ISO 32000-1, table 254) */
            certified: number | null;
            /** @description What its owner forbids */
            forbidden: string[];
            /** @description What opens it */
            password: string | null;
            /** @description Why nothing can be added behind its old bytes */
            cannotAdd: string | null;
        };
        SentBookDto: {
            id: string;
            title: string;
            author: string;
            /** @description Where readers get it */
            address: string | null;
            /** @description Its places as pairs of id and words, where this book leads to it */
            places: [
                string,
                string
            ][] | null;
        };
        ManuscriptDto: {
            id: string;
            title: string;
            subtitle: string;
            author: string;
            language: string;
            description: string;
            look: components["schemas"]["LinkLookDto"];
            structure: components["schemas"]["StructureDto"];
            publication?: components["schemas"]["PublicationDto"];
            ground?: components["schemas"]["GroundDto"];
            chapters: components["schemas"]["VersionedChapterDto"][];
            report: components["schemas"]["BringInReportDto"] | null;
            /** @description Where readers get the book */
            address: string | null;
            /** @description The files on its Shelf */
            files: components["schemas"]["ShelfFileDto"][];
            /** @description The other books of the Library */
            books: components["schemas"]["SentBookDto"][];
        };
        PlaceDto: {
            id: string;
            /** @enum {string} */
            kind: "top" | "contents" | "page" | "chapter" | "heading" | "figure" | "table" | "bookmark" | "item" | "note" | "mark" | "spot";
            /** @description Words that tell which spot it is */
            words: string;
            /** @description What stands there */
            text: string;
            chapter: string;
            /** @description The number alone; empty where it has none */
            number: string;
            /** @description The number as it is called */
            label: string;
            /** @description Of a heading, 1 to 6 */
            level: number | null;
            /** @description The heading of the section in which it stands, or its chapter */
            section: string;
            /** @description Of a chapter: nothing stands in it but its heading */
            unwritten: boolean;
            /** @description Places in reading order have rising numbers */
            order: number;
        };
        DivisionLineDto: {
            /** @description The id of the chapter or of the heading */
            id: string;
            title: string;
            /** @description Of its heading, 1 to 6; 1 where the chapter has none */
            level: number;
            /** @description How many words stand from here to the next line */
            words: number;
            begins: boolean;
        };
        HandMadeNavigationDto: {
            /** @description By what it is named, until its chapter is changed */
            key: string;
            chapter: string;
            words: string;
            before: string;
            after: string;
            /** @enum {string} */
            sureness: "sure" | "likely" | "look";
            /** @description Why it is not sure; empty for what is */
            why: string;
            /** @enum {string} */
            becomes: "contents" | "return" | "reference" | "link";
        };
        ProblemDto: {
            type: string;
            title: string;
            status: number;
            /** @description What happened, what was kept and what to do */
            detail: string;
            /** @description Where in what was sent the fault is */
            path?: string;
            /** @description The chapter as it is stored, when a save was refused because it is stale */
            current?: {
                [key: string]: unknown;
            };
            /**
             * @description What is missing to do it
             * @enum {string}
             */
            wants?: "password";
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    BooksController_list: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BookSummaryDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_start: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewBookDto"];
            };
        };
        responses: {
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StartedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ReportsController_manuscript: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ManuscriptDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_remove: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BookChangesDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_putBack: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_save: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SaveChapterDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterSavedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_removeChapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterMadeDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_leaveOut: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChapterChangesDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_missed: {
        parameters: {
            query: {
                since: number;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StepsAnswerDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_steps: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["StepsSentDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StepsAnswerDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_news: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/event-stream": components["schemas"]["BookNewsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_repair: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RepairDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_repairMany: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BulkRepairDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_repairInside: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["InsideRepairDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ReportsController_navigation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HandMadeNavigationDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_navigation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NavigationRequestDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_typedNotes: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NavigationRequestDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_replace: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReplaceDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ReplaceDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_labels: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FileLabelsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BooksController_mentions: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MentionsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_arrange: {
        parameters: {
            query?: never;
            header?: {
                /** @description `return=representation` to be told of the change */
                prefer?: string;
            };
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OutlineDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterMadeDto"];
                };
            };
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_addChapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewChapterDto"];
            };
        };
        responses: {
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterAddedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_renameChapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChapterTitleDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterMadeDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_splitChapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChapterSplitDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterMadeDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_joinChapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ChapterMadeDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ReportsController_division: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DivisionLineDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_divide: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["DivisionChangeDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_moveSection: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SectionMoveDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_list: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BookChangeDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    OutlineController_takeBack: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                change: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TakenBackDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_list: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SnapshotDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_keep: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewSnapshotDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_look: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                snapshot: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SnapshotSeenDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_name: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                snapshot: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewSnapshotDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_chapter: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                snapshot: string;
                chapter: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["VersionedChapterDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    VersionsController_restore: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                snapshot: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["RestoreDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    HealthController_health: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HealthDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    HealthController_facts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ServerFactsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    JobsController_one: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["JobStatusDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    JobsController_stop: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["JobStatusDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    JobsController_events: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/event-stream": components["schemas"]["JobStatusDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_ofBook: {
        parameters: {
            query?: {
                removed?: "true";
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfFileDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_take: {
        parameters: {
            query?: {
                as?: "file" | "picture";
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                };
            };
        };
        responses: {
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfTakenDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_takeFromAddress: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FromAddressDto"];
            };
        };
        responses: {
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfTakenDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_file: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_remove: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_change: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ShelfChangesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfFileDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_replace: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfTakenDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_goBack: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShelfFileDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ShelfController_putBack: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    GroundController_file: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    GroundController_page: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                number: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageTextDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    GroundController_ought: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OughtToBeLinkDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    GroundController_headings: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FoundHeadingDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    GroundController_search: {
        parameters: {
            query: {
                words: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageHitDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    BringInController_bringIn: {
        parameters: {
            query?: never;
            header?: {
                /** @description `respond-async` to be answered by a job */
                prefer?: string;
            };
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                    password?: string;
                };
            };
        };
        responses: {
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BookMadeDto"];
                };
            };
            202: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StartedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    CarryOverController_offers: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CarryOfferDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    CarryOverController_plan: {
        parameters: {
            query: {
                from: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CarryItemsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    CarryOverController_carry: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CarryRequestDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RepairDoneDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_ofBook: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckRunDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_start: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewCheckDto"];
            };
        };
        responses: {
            202: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StartedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_verdicts: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DestinationVerdictDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_links: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LinkRowDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_findings: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["InsideFindingDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_one: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckRunDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_stop: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckRunDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_goOn: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckRunDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_changes: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["VerdictChangeDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChecksController_events: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/event-stream": components["schemas"]["CheckRunDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_history: {
        parameters: {
            query: {
                href: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["DestinationHistoryDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_say: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewSayingDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_unsay: {
        parameters: {
            query: {
                href: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_schedule: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ScheduleSetDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_setSchedule: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CheckScheduleDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_unsetSchedule: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_current: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckSettingsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    SurveyController_change: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CheckSettingsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CheckSettingsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChoicesController_survey: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SurveyChoicesDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChoicesController_choose: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                rule: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewRuleChoiceDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChoicesController_unchoose: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                rule: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChoicesController_setAside: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SetAsideRequestDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShowAgainDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ChoicesController_showAgain: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ShowAgainDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    HandOnController_report: {
        parameters: {
            query: {
                as: "html" | "pdf" | "csv" | "destinations" | "json" | "earl";
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/html; charset=utf-8": string;
                    "application/pdf": string;
                    "text/csv; charset=utf-8": string;
                    "application/json; charset=utf-8": string;
                    "application/ld+json; charset=utf-8": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    TitlesController_title: {
        parameters: {
            query: {
                href: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageTitleDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    AskedController_ask: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["AskedAddressesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AddressVerdictDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_ofBook: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ExportJobDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_start: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewExportDto"];
            };
        };
        responses: {
            202: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StartedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_sets: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PdfSetsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_keepSets: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PdfSetsDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PdfSetsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_chosen: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FormChoicesDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_keepChosen: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FormChoicesDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FormChoicesDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_preview: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PagePreviewDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_flowPreview: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["FlowPreviewDto"];
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_prove: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "multipart/form-data": {
                    /** Format: binary */
                    file: string;
                };
            };
        };
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AnyProofDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_forms: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FormPreviewDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_pages: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": [
                        string,
                        string
                    ][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_bundlePlan: {
        parameters: {
            query: {
                /** @description The forms, with commas between: `epub,pdf` */
                forms: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BundlePlanDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_bundleOfForms: {
        parameters: {
            query: {
                /** @description The forms, with commas between: `epub,pdf` */
                forms: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_cover: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_shapeless: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ShapelessSignDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_fonts: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BookFontsDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_one: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ExportJobDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_remove: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_again: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            202: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["StartedDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_stop: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ExportJobDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_file: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_proof: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProofRowDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_reading: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ReadingDto"];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_tally: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ReadingTallyDto"];
            };
        };
        responses: {
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_readingPage: {
        parameters: {
            query?: {
                path?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    PublishingController_bundle: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/octet-stream": string;
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
    ReportsController_places: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PlaceDto"][];
                };
            };
            /** @description A problem document (RFC 9457): what happened, what was kept and what to do */
            default: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["ProblemDto"];
                };
            };
        };
    };
}
