import type { Deps } from './deps.ts';
import { createAccess } from './features/access/access.ts';
import { createClassRelations } from './features/access/class-relations.ts';
import { createOpenToStudent } from './features/access/open-to-student.ts';
import { createRelations } from './features/access/relations.ts';
import { createAccountRepository } from './features/accounts/account-repository.ts';
import { createGuessingGuard } from './features/accounts/guessing-guard.ts';
import { createSecurityLog } from './features/accounts/security-log.ts';
import { type Actor, createSessionService } from './features/accounts/session-service.ts';
import { createSignInCards } from './features/accounts/sign-in-cards.ts';
import { createSignInGuard } from './features/accounts/sign-in-guard.ts';
import { createAssignedLessons } from './features/assignments/assigned-lessons.ts';
import { createAssignmentRepository } from './features/assignments/assignment-repository.ts';
import { createAssignmentService } from './features/assignments/assignment-service.ts';
import { createClearTakenBack } from './features/assignments/clear-taken-back.ts';
import { createGiving } from './features/assignments/giving.ts';
import { createReceivedAssignments } from './features/assignments/received-assignments.ts';
import { createRecipientRepository } from './features/assignments/recipient-repository.ts';
import { createSeriesGate } from './features/assignments/series-gate.ts';
import { createSeriesService } from './features/assignments/series-service.ts';
import { createSheetRepository } from './features/assignments/sheet-repository.ts';
import { createTermPresets } from './features/assignments/term-presets.ts';
import { createAnswerFileService } from './features/attempts/answer-files.ts';
import { createAttemptRepository } from './features/attempts/attempt-repository.ts';
import { createAttemptStates } from './features/attempts/attempt-states.ts';
import { createEditionSwap } from './features/attempts/edition-swap.ts';
import { createEventIntake } from './features/attempts/event-intake.ts';
import { createMarkingService } from './features/attempts/marking-service.ts';
import { createPathService } from './features/attempts/path-service.ts';
import { createPhraseRepository } from './features/attempts/phrase-repository.ts';
import { createReadStates } from './features/attempts/read-states.ts';
import { createRefreshStale } from './features/attempts/refresh-stale.ts';
import { createRubricRepository } from './features/attempts/rubric-repository.ts';
import { createThreadService } from './features/attempts/thread-service.ts';
import { createWalkService } from './features/attempts/walk-service.ts';
import { createBankRepository } from './features/bank/bank-repository.ts';
import { createBankService } from './features/bank/bank-service.ts';
import { createExchangeService } from './features/bank/exchange-service.ts';
import { createCalendarService } from './features/calendar/calendar-service.ts';
import { createMediaCatalogue } from './features/catalogue/media-catalogue.ts';
import { createClassRepository } from './features/classes/class-repository.ts';
import { createClassService } from './features/classes/class-service.ts';
import { createClearRemoved } from './features/classes/clear-removed.ts';
import { createJoining } from './features/classes/joining.ts';
import { createRoster } from './features/classes/roster.ts';
import { createRosterLists } from './features/classes/roster-lists.ts';
import { createFeedbackRepository } from './features/feedback/feedback-repository.ts';
import { createFeedbackService } from './features/feedback/feedback-service.ts';
import { createFollowingRepository } from './features/following/following-repository.ts';
import { createFollowingService } from './features/following/following-service.ts';
import { createGradebookRepository } from './features/gradebook/gradebook-repository.ts';
import { createGradebookService } from './features/gradebook/gradebook-service.ts';
import { createResultsPackage } from './features/gradebook/results-package.ts';
import { createGuestService } from './features/guests/guest-service.ts';
import { createEraseStudent } from './features/kept/erase-student.ts';
import { createStudentArchive } from './features/kept/student-archive.ts';
import { createStudentRecord } from './features/kept/student-record.ts';
import { createLessonRepository } from './features/lessons/lesson-repository.ts';
import { createLessonService } from './features/lessons/lesson-service.ts';
import { createLookBackRepository } from './features/look-back/look-back-repository.ts';
import { createBringIn } from './features/materials/bring-in.ts';
import type { FetchLimits } from './features/materials/fetch-address.ts';
import { createMadeSlides } from './features/materials/made-slides.ts';
import { createMaterialRepository } from './features/materials/material-repository.ts';
import { createMaterialService } from './features/materials/material-service.ts';
import { createMediaStore } from './features/materials/media-store.ts';
import { type MailSender, standInSender } from './features/notices/mail-sender.ts';
import { createNoticeMail } from './features/notices/notice-mail.ts';
import { createNoticeRepository } from './features/notices/notice-repository.ts';
import { createNoticeService } from './features/notices/notice-service.ts';
import { createNoticeSweep } from './features/notices/notice-sweep.ts';
import { createPracticeService } from './features/practice/practice-service.ts';
import { createReviewOverview } from './features/reviews/review-overview.ts';
import { createReviewPlans } from './features/reviews/review-plans.ts';
import { createReviewRepository } from './features/reviews/review-repository.ts';
import { createReviewService } from './features/reviews/review-service.ts';
import { createInvitations } from './features/school/invitations.ts';
import { createOneRosterService } from './features/school/one-roster-service.ts';
import { createPeopleService } from './features/school/people-service.ts';
import { createReadLog } from './features/school/read-log.ts';
import { createSchoolService } from './features/school/school-service.ts';
import { createSetUp } from './features/school/set-up.ts';
import { createRecordStore } from './features/statements/record-store.ts';
import { createStatementService } from './features/statements/statement-service.ts';
import { createMasteryService } from './features/targets/mastery-service.ts';
import { createTargetEvidence } from './features/targets/target-evidence.ts';
import { createTargetRepository } from './features/targets/target-repository.ts';
import { createJobQueue } from './jobs/job-queue.ts';
import { createChangeLog } from './live/change-log.ts';
import { createProjections } from './projections/all-projections.ts';
import { createLessonUses } from './projections/lesson-uses.ts';
import { createMaterialUses } from './projections/material-uses.ts';
import { createFairQueue } from './reading/fair-queue.ts';
import { createReader } from './reading/reader.ts';
import { createSendTable } from './tables/send-table.ts';
import { createWorkbookWriter } from './tables/workbook-writer.ts';

/** What stands outside the installation, and how far this server may go there. */
export interface Outside {
  readonly fetchLimits?: FetchLimits;
  /** Where the school's media catalogue answers; none without it. */
  readonly catalogueUrl?: string | undefined;
  /** Where mails go; they stay here without it. */
  readonly mailSender?: MailSender | undefined;
  /** The school's learning record store, with name and password; none without it. */
  readonly recordStoreUrl?: string | undefined;
  /** Where this installation is reached, `https://semita.example`. */
  readonly publicUrl?: string | undefined;
}

/** Puts the use-cases together. The web server stands on these, and so do the demo's simulated students. */
export function createServices(deps: Deps, outside: Outside = {}) {
  const {
    fetchLimits,
    catalogueUrl,
    recordStoreUrl,
    mailSender = standInSender,
    publicUrl = 'http://localhost:3000',
  } = outside;
  const security = createSecurityLog(deps);
  const guard = createSignInGuard(deps.clock);
  const guess = createGuessingGuard(guard);
  const sessions = createSessionService({ ...deps, security, guard });
  const accounts = createAccountRepository(deps);
  const cards = createSignInCards({ ...deps, sessions, security, guess });
  const invitations = createInvitations({ ...deps, accounts, security, guess });
  const classes = createClassRepository(deps);
  const school = createSchoolService({ ...deps, accounts, invitations, classes, security });
  const changes = createChangeLog(deps);
  const versionNow = changes.version;
  const classRelations = createClassRelations(deps);
  const recipients = createRecipientRepository(deps);
  const given = createAssignedLessons({ ...deps, recipients });
  const received = createReceivedAssignments({ ...deps, lessons: given, recipients });
  const materialUses = createMaterialUses(deps);
  const lessonUses = createLessonUses(deps);
  const materialRepository = createMaterialRepository({ ...deps, uses: materialUses });
  const lessonRepository = createLessonRepository({ ...deps, uses: { materials: materialUses, lessons: lessonUses } });
  const assignmentRepository = createAssignmentRepository(deps);
  const notices = createNoticeRepository(deps);
  const store = createMediaStore(deps.dataDir);
  const attempts = createAttemptRepository(deps);
  // A teacher's film does not wait behind what students hand in.
  const reader = createReader({ timeMs: 20_000 });
  const studentReader = createReader({ timeMs: 8_000 });
  const workshop = createFairQueue({ places: 2, maxWaiting: 500 });
  const stopping = new AbortController();
  const bringIn = createBringIn({
    ...deps,
    ...{
      repository: materialRepository,
      store,
      reader,
      workshop,
      fetchLimits,
      catalogueUrl,
      stopping: stopping.signal,
    },
    onFetched: (materialId) => jobs.enqueue('import', materialId),
  });
  const jobs = createJobQueue(
    deps,
    // Those that wait for the workshop take turns there, so many may be under way; addresses are asked beside them.
    { import: { work: bringIn.work, places: 50 }, fetch: { work: bringIn.fetch, places: 6 } },
    (_kind, materialId, error) => bringIn.giveUp(materialId, error),
  );
  const practice = createPracticeService({
    ...deps,
    ...{ lessons: lessonRepository, listEditions: materialUses.listEditions, nameOf: sessions.nameOf },
    schoolNameOf: (schoolId) => school.get(schoolId).name,
  });
  const reviewRepository = createReviewRepository(deps);
  const isOpenTo = createOpenToStudent({
    ...deps,
    ...{ uses: materialUses, received, attempts, isInReview: reviewRepository.isShown },
    waits: (studentId, assignmentId) => seriesGate.waitsFor(studentId, assignmentId) !== null,
  });
  const mayDo = createAccess(
    createRelations({
      ...deps,
      ...{ ofClasses: classRelations, recipients, given, received, isOpenTo, isPracticeOpen: practice.isOpen },
      ownerOfReview: reviewRepository.ownerOf,
    }),
  );
  const materials = createMaterialService({ ...deps, repository: materialRepository, store, jobs, reader });
  const bankRepository = createBankRepository({ ...deps, uses: materialUses });
  const projections = createProjections(deps);
  const states = createAttemptStates({ ...deps, repository: attempts, contextOf: given.contextOf, projections });
  const sheets = createSheetRepository({
    ...deps,
    lessons: given,
    recipients,
    toFreshRow: (attemptId) => {
      states.read(attemptId);
      return attempts.getRow(attemptId);
    },
  });
  const seriesGate = createSeriesGate({ ...deps, given, sheets });
  const intake = createEventIntake({
    ...deps,
    repository: attempts,
    states,
    contextOf: given.contextOf,
    projections,
  });
  const talk = createFeedbackRepository(deps);
  const assignments = createAssignmentService({
    ...deps,
    repository: assignmentRepository,
    given,
    recipients,
    sheets,
    classes,
    lessons: lessonRepository,
    relations: classRelations,
    notices,
    listWroteBack: talk.listUnanswered,
    versionNow,
    nameOf: sessions.nameOf,
  });
  const lessons = createLessonService({
    ...deps,
    repository: lessonRepository,
    materials: materialRepository,
    listPicturesWithoutAlt: materials.listPicturesWithoutAlt,
    scriptOfMaterial: materials.scriptOf,
    onEditionMoved: given.forget,
  });
  const bank = createBankService({ ...deps, repository: bankRepository, areOwned: materialRepository.areOwned });
  const answerFiles = createAnswerFileService({
    ...deps,
    store,
    readers: { teacher: reader, student: studentReader },
    // Whoever has left writes no more.
    findOwn: (studentId, attemptId) => {
      const attempt = attempts.findOwn(studentId, attemptId);
      return attempt && received.termsOf(studentId, attempt.assignmentId)?.leftAt === null ? attempt : undefined;
    },
    findMarked: (actor, assignmentId, studentId) => assignments.readStudent(actor, assignmentId, studentId).counted,
  });
  const series = createSeriesService({
    ...deps,
    ...{ repository: assignmentRepository, given, sheets, seriesGate, assignments, relations: classRelations },
  });
  const roster = createRoster({ ...deps, followStudent: recipients.followStudent });
  const clearTakenBack = createClearTakenBack({ ...deps, store, given });
  const clearRemoved = createClearRemoved({ ...deps, store, forgetGiven: given.forgetClass });
  const refreshing = createRefreshStale({ ...deps, attempts, states });
  const shared = { ...deps, given, received, recipients, attempts, intake };
  const readStates = createReadStates({ sheetOf: assignments, intake });
  const erase = createEraseStudent({ ...deps, given, states, store });
  const sweepNotices = createNoticeSweep({ ...deps, sheets, given, seriesGate, notices });
  const gradebooks = createGradebookService({
    ...deps,
    ...{ repository: createGradebookRepository(deps), assignments: assignmentRepository, given, sheets },
  });
  const targets = createTargetRepository(deps);
  const evidence = createTargetEvidence({ repository: targets, assignments: assignmentRepository, given });
  const reviewPlans = createReviewPlans({ ...deps, repository: reviewRepository, evidence, given, sheets });
  const reviews = createReviewService({ ...deps, repository: reviewRepository, plans: reviewPlans });
  const walks = createWalkService({ ...shared, sheets, classes, answerFiles, seriesGate, versionNow });
  const noticeMail = createNoticeMail({ ...deps, sender: mailSender, publicUrl });
  return {
    /** Computes what older programs stored of attempts anew, beside the work of the day. */
    refreshStale: refreshing.start,
    /** What was thrown away long enough ago goes for good. */
    async clearAway(): Promise<void> {
      await materials.clearAway();
      await clearTakenBack();
      await clearRemoved();
      series.clearEmpty();
      notices.clearOld();
    },
    /** Finds what students are to be told by now, and sends what waits to be sent. */
    async tellStudents(): Promise<void> {
      sweepNotices();
      noticeMail.collect();
      await noticeMail.sendAll();
    },
    /** What is at work ends at once, and is begun again at the next start. Nothing writes after this. */
    close(): void {
      jobs.stop();
      refreshing.stop();
      changes.close();
      stopping.abort();
      reader.close();
      studentReader.close();
    },
    sessions,
    security,
    mayDo,
    changes,
    isReceived: (studentId: string, assignmentId: string) => recipients.find(assignmentId, studentId) !== undefined,
    classRelations,
    attempts,
    states,
    classes: createClassService({
      ...deps,
      ...{ repository: classes, roster, relations: classRelations, accounts, cards, sessions, security },
      schoolOf: school.get,
      listColleagues: school.listColleagues,
      forgetGiven: given.forgetClass,
    }),
    groupsTaughtBy: (actor: Actor) => classes.listGroups([...classRelations.taughtBy(actor.id)]),
    roster,
    rosterLists: createRosterLists({ ...deps, classes, accounts, roster }),
    joining: createJoining({ ...deps, classes, accounts, roster, security, guess }),
    accounts,
    cards,
    school,
    invitations,
    people: createPeopleService({
      ...deps,
      ...{ accounts, sessions, security, onRenamed: given.forgetAll },
      writeArchive: createStudentArchive({
        ...deps,
        ...{ store, schoolOf: school.get, recordOf: createStudentRecord({ ...deps, given, received, intake }) },
      }).write,
      erase,
    }),
    readLog: createReadLog(deps),
    guests: createGuestService({
      ...deps,
      ...{ accounts, assignments, recipients, given, states, intake, guess, security, erase },
      repository: assignmentRepository,
      relations: classRelations,
    }),
    oneRoster: createOneRosterService({
      ...deps,
      ...{ accounts, roster, security, schoolOf: school.get, readDays: school.readDays },
    }),
    setUp: createSetUp({ ...deps, accounts, security, guess }),
    jobs,
    catalogue: catalogueUrl ? createMediaCatalogue(catalogueUrl) : null,
    materials,
    madeSlides: createMadeSlides({
      ...deps,
      repository: materialRepository,
      isInEdition: materialUses.isInEdition,
      scriptOf: materials.scriptOf,
      moveDrafts: lessons.moveDrafts,
    }),
    lessons,
    assignments,
    giving: createGiving({
      ...deps,
      ...{ repository: assignmentRepository, recipients, classes },
      ...{ lessons: lessonRepository, relations: classRelations },
    }),
    series,
    calendar: createCalendarService({ ...deps, sessions, assignments, received, given }),
    practice,
    termPresets: createTermPresets(deps),
    answerFiles,
    walks,
    feedback: createFeedbackService({
      ...deps,
      ...{ repository: talk, walks, sheetOf: assignments, given, intake, notices },
    }),
    bank,
    exchange: createExchangeService({
      ...deps,
      bank,
      materials,
      repository: bankRepository,
      findMaterial: materialRepository.findInSchool,
      pathOf: store.pathOf,
      workshop,
    }),
    phrases: createPhraseRepository(deps),
    rubrics: createRubricRepository(deps),
    threads: createThreadService({
      ...shared,
      followedClassIds: classRelations.followedBy,
    }),
    swaps: createEditionSwap({
      ...deps,
      ...{ given, assignments, lessons: lessonRepository, recipients, repository: attempts, states, intake },
    }),
    paths: createPathService({ ...shared, readStates }),
    sendTable: createSendTable({ workbooks: createWorkbookWriter(), security }),
    gradebooks,
    resultsPackage: createResultsPackage({
      ...deps,
      ...{ gradebooks, schoolOf: school.get, readDays: school.readDays },
    }),
    lookBacks: createLookBackRepository(deps),
    targets,
    mastery: createMasteryService({ evidence, classes, listCounted: reviewRepository.listCounted, sheets }),
    reviews,
    reviewRepository,
    reviewOverview: createReviewOverview({
      ...{ repository: reviewRepository, plans: reviewPlans, evidence, sheets },
    }),
    statements: createStatementService({
      ...{ clock: deps.clock, given, sheetOf: assignments, attempts, security, publicUrl },
      store: recordStoreUrl ? createRecordStore(recordStoreUrl) : null,
    }),
    classNameOf: (classId: string) => classes.find(classId)?.name ?? '',
    following: createFollowingService({
      ...{ clock: deps.clock, given, readStates, sheets, sheetOf: assignments },
      repository: createFollowingRepository({ ...deps, computeAnew: states.computeAnew }),
    }),
    marking: createMarkingService({
      ...shared,
      readStates,
      sheetOf: assignments,
      answerFiles,
      security,
      notices,
      nameOf: sessions.nameOf,
    }),
    notices: createNoticeService({
      ...deps,
      ...{ repository: notices, given, assignments, sessions, publicUrl, isStandIn: mailSender.isStandIn },
    }),
  };
}

export type Services = ReturnType<typeof createServices>;
