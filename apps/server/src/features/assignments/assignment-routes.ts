import type { OutputOf, routes } from '@semita/core/contract';
import type { Handlers } from '../../http/serve-route.ts';
import type { AssignmentService } from './assignment-service.ts';
import type { Giving } from './giving.ts';
import type { SeriesService } from './series-service.ts';
import type { TermPresets } from './term-presets.ts';

type Names =
  | 'listAssignments'
  | 'listHistory'
  | 'assign'
  | 'giveSeries'
  | 'readSeries'
  | 'changeSeries'
  | 'changeWindow'
  | 'extendAll'
  | 'changeNote'
  | 'changeTerms'
  | 'releaseResults'
  | 'takeBack'
  | 'listTermPresets'
  | 'keepTermPreset'
  | 'removeTermPreset'
  | 'readSheet'
  | 'adjust'
  | 'listAdjustments';

interface Rooms {
  readonly assignments: AssignmentService;
  readonly giving: Giving;
  readonly series: SeriesService;
  readonly termPresets: TermPresets;
}

export function assignmentHandlers({
  assignments,
  giving,
  series,
  termPresets: presets,
}: Rooms): Pick<Handlers, Names> {
  return {
    listAssignments: ({ actor }) => assignments.list(actor),
    listHistory: ({ actor }) => assignments.listHistory(actor),
    assign: ({ actor, body }) => giving.assign(actor, body),
    giveSeries: ({ actor, body }) => giving.giveSeries(actor, body),
    readSeries: ({ actor, params }) => series.read(actor, params.seriesId),
    changeSeries: ({ actor, params, body }) => {
      series.change(actor, params.seriesId, body);
      return undefined;
    },
    changeWindow: ({ actor, params, body }) => assignments.changeWindow(actor, params.assignmentId, body),
    extendAll: ({ actor, params, body }) => assignments.extendAll(actor, params.assignmentId, body.days),
    changeNote: ({ actor, params, body }) => {
      assignments.changeNote(actor, params.assignmentId, body.note);
      return undefined;
    },
    changeTerms: ({ actor, params, body }) => {
      assignments.changeTerms(actor, params.assignmentId, body.terms);
      return undefined;
    },
    releaseResults: ({ actor, params, body }) => {
      assignments.release(actor, params.assignmentId, body.isReleased);
      return undefined;
    },
    takeBack: ({ actor, params, body }) => {
      assignments.takeBack(actor, params.assignmentId, body.isTakenBack);
      return undefined;
    },
    listTermPresets: ({ actor }) => presets.list(actor) as OutputOf<(typeof routes)['listTermPresets']>,
    keepTermPreset: ({ actor, body }) => {
      presets.keep(actor, body.name, body.terms);
      return undefined;
    },
    removeTermPreset: ({ params }) => {
      presets.remove(params.presetId);
      return undefined;
    },
    readSheet: ({ actor, params }) => assignments.readSheet(actor, params.assignmentId),
    adjust: ({ actor, params, body }) => assignments.adjust(actor, params.assignmentId, body),
    listAdjustments: ({ actor, params }) => assignments.listAdjustments(actor, params.assignmentId, params.studentId),
  };
}
