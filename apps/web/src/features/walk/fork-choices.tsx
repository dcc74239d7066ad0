import type { LearnerStop } from '@semita/core/learner';
import { ArrowRight } from 'lucide-react';
import { OptionPicture } from '../question/option-picture.tsx';
import { RichText } from '../question/rich-text.tsx';

type LearnerFork = Extract<LearnerStop, { kind: 'fork' }>;

interface Props {
  readonly fork: LearnerFork;
  /** The way that was chosen before, where this is a second choice. */
  readonly chosenId?: string | undefined;
  readonly onChoose: (choiceId: string) => void;
}

/** The ways at a fork: one press goes there. */
export function ForkChoices({ fork, chosenId, onChoose }: Props) {
  return (
    <div className="grid gap-3">
      <RichText text={fork.prompt} className="text-18" />
      <ul className="grid gap-2">
        {fork.choices.map(({ id, words, picture }) => (
          <li key={id}>
            <button
              type="button"
              disabled={id === chosenId}
              onClick={() => onChoose(id)}
              className="grid w-full gap-2 rounded-control border border-edge bg-card p-3 text-left hover:border-marigold hover:bg-marigold-tint disabled:opacity-50"
            >
              {picture && <OptionPicture picture={picture} />}
              <span className="flex min-h-6 items-center gap-3">
                <span className="min-w-0 grow font-medium break-words">{words}</span>
                <ArrowRight aria-hidden className="size-5 shrink-0 text-marigold-ink" strokeWidth={1.75} />
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
