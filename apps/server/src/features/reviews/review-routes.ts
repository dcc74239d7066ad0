import type { Handlers } from '../../http/serve-route.ts';
import type { ReviewOverviewService } from './review-overview.ts';
import type { ReviewRepository } from './review-repository.ts';
import type { ReviewService } from './review-service.ts';

type Names =
  | 'listReviews'
  | 'openReview'
  | 'takeInReview'
  | 'readReviews'
  | 'setReviews'
  | 'leaveOutOfReviews'
  | 'previewReview';

interface Rooms {
  readonly reviews: ReviewService;
  readonly overview: ReviewOverviewService;
  readonly repository: Pick<ReviewRepository, 'set' | 'leaveOut'>;
}

export const reviewHandlers = ({ reviews, overview, repository }: Rooms): Pick<Handlers, Names> => ({
  listReviews: ({ actor }) => reviews.list(actor),
  openReview: ({ actor, params }) => ({ review: reviews.open(actor, params.classId) }),
  takeInReview: ({ params, body }) => reviews.takeIn(params.roundId, body.events),
  readReviews: ({ actor, params }) => overview.read(actor, params.classId),
  setReviews: ({ actor, params, body }) => {
    repository.set(params.classId, body);
    return overview.read(actor, params.classId);
  },
  leaveOutOfReviews: ({ actor, params, body }) => {
    repository.leaveOut(params.classId, body.source, body.isLeftOut);
    return overview.read(actor, params.classId);
  },
  previewReview: ({ actor, params }) => overview.preview(actor, params.classId, params.studentId),
});
