import type { LearnerPart } from '@semita/core/learner';
import type { FilmControls } from '../film/film-stage.tsx';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';

/** What stands beside the material is told. */
export interface SideProps {
  /** Nothing was begun, and no part chosen. */
  readonly isFresh: boolean;
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  readonly part: LearnerPart | undefined;
  readonly film: React.RefObject<FilmControls | null>;
  readonly isPlaying: boolean;
  readonly withdrawUntil: number | null;
  /** Null goes where the way leads. */
  readonly onNextPart: (partId: string | null) => void;
}
