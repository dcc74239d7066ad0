import { type LearnerQuestion, toLearnerQuestion } from '@semita/core/learner';
import { correctResponse } from '@semita/core/marking';
import { type Question, type Response, shuffledByWords } from '@semita/core/question';
import type { ReactNode } from 'react';
import { formatNumber, formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { DrawingGround } from '../drawing/drawing-ground.tsx';
import { GapText } from '../question/gap-text.tsx';
import { GivenResponse } from '../question/given-response.tsx';
import { kindWords } from '../question/kind-words.ts';
import { OptionPicture } from '../question/option-picture.tsx';
import { areaBox, areaClip, PictureBoard } from '../question/picture-board.tsx';
import { drawsOnPicture } from '../question/question-block.tsx';
import { QuestionPicture } from '../question/question-picture.tsx';
import { RichText } from '../question/rich-text.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly number: number;
  readonly showsKey: boolean;
}

/** A question on paper: room to answer it, or what is right. */
export function PrintedQuestion({ question, number, showsKey }: Props) {
  const shown = toLearnerQuestion(question, (name, items) => shuffledByWords(items, `print ${name}`));
  const key = showsKey ? correctResponse(question) : null;
  return (
    <li className="grid break-inside-avoid grid-cols-[2rem_minmax(0,1fr)] gap-x-2">
      <span className="text-right font-medium">{number}.</span>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
        <div className="flex items-baseline justify-between gap-4">
          <RichText text={question.stem} className="font-medium" />
          {question.points > 0 && (
            <span className="shrink-0 text-14 text-quiet">___ / {formatPoints(question.points)}</span>
          )}
        </div>
        {question.picture && !drawsOnPicture(shown) && <QuestionPicture picture={question.picture} />}
        {key ? (
          <GivenResponse
            question={shown}
            response={key as Response}
            answerKey={null}
            verdicts={{}}
            keyAreas={question.kind === 'selectPoint' ? question.areas : []}
          />
        ) : (
          <Room question={shown} />
        )}
        {showsKey && question.modelAnswer && <RichText text={question.modelAnswer} className="text-14 text-spruce" />}
      </div>
    </li>
  );
}

const box = <span aria-hidden className="mt-1 inline-block size-4 shrink-0 border border-ink" />;
const blank = <span className="inline-block w-32 border-b border-ink leading-none">&nbsp;</span>;

/** Room to answer by hand. */
function Room({ question }: { readonly question: LearnerQuestion }): ReactNode {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return (
        <ul className="grid gap-1.5">
          {question.options.map(({ id, text, picture }) => (
            <li key={id} className="flex gap-3">
              {box}
              <span>
                {picture && <OptionPicture picture={picture} />}
                <RichText text={text} />
              </span>
            </li>
          ))}
        </ul>
      );
    case 'textEntry':
      return <GapText pieces={question.pieces} gap={() => blank} />;
    case 'inlineChoice':
      return (
        <GapText
          pieces={question.pieces}
          gap={(gapId) => (
            <span>
              {blank} (
              {question.gaps
                .find(({ id }) => id === gapId)
                ?.options.map(({ text }) => text)
                .join(' / ')}
              )
            </span>
          )}
        />
      );
    case 'gapMatch':
      return (
        <>
          <p className="w-fit border border-ink px-3 py-1">{question.words.map(({ text }) => text).join(' · ')}</p>
          <GapText pieces={question.pieces} gap={() => blank} />
        </>
      );
    case 'numeric':
      return (
        <p>
          {blank} {question.unit}
        </p>
      );
    case 'order':
    case 'associate':
      return (
        <ul className="grid gap-1.5">
          {question.items.map(({ id, text }) => (
            <li key={id} className="flex gap-3">
              {question.kind === 'order' && box}
              <RichText text={text} />
            </li>
          ))}
        </ul>
      );
    case 'match':
      return (
        <div className="grid grid-cols-2 gap-x-24">
          {[question.sources, question.targets].map((side, index) => (
            <ul key={index === 0 ? 'left' : 'right'} className="grid content-start gap-2">
              {side.map(({ id, text }) => (
                <li key={id} className={index === 0 ? 'text-right' : undefined}>
                  {index === 1 && '• '}
                  {text}
                  {index === 0 && ' •'}
                </li>
              ))}
            </ul>
          ))}
        </div>
      );
    case 'hottext':
      return (
        <p className="whitespace-pre-wrap">
          {question.words.map(({ id, text, isPlain }) =>
            isPlain ? (
              text
            ) : (
              <span key={id} className="border border-ink border-dotted px-1">
                {text}
              </span>
            ),
          )}
        </p>
      );
    case 'hotspot':
    case 'graphicGapMatch':
      return (
        <>
          {question.kind === 'graphicGapMatch' && (
            <p className="w-fit border border-ink px-3 py-1">{question.words.map(({ text }) => text).join(' · ')}</p>
          )}
          {question.picture && (
            <PictureBoard picture={question.picture}>
              {question.areas.map((area) => (
                <span
                  key={area.id}
                  style={{ ...areaBox(area), clipPath: areaClip(area) }}
                  className="absolute border-2 border-ink border-dashed bg-sheet/60"
                />
              ))}
            </PictureBoard>
          )}
        </>
      );
    case 'selectPoint':
      return question.picture ? <PictureBoard picture={question.picture}>{null}</PictureBoard> : null;
    case 'slider':
      return <PrintedScale {...question} />;
    case 'drawing':
      return (
        <DrawingGround ground={question.ground} picture={question.picture}>
          {() => null}
        </DrawingGround>
      );
    case 'extendedText':
      return (
        <>
          {question.wordBox.length > 0 && (
            <p className="w-fit border border-ink px-3 py-1">{question.wordBox.join(' · ')}</p>
          )}
          <Lines count={Math.max(3, Math.ceil((question.wordRange?.max ?? question.wordRange?.min ?? 30) / 10))} />
        </>
      );
    case 'discussion':
      return <Lines count={5} />;
    case 'upload':
    case 'record':
      return <p className="text-14 text-quiet">({kindWords(question)})</p>;
  }
}

function PrintedScale({ min, max, step, minLabel, maxLabel }: Extract<LearnerQuestion, { kind: 'slider' }>) {
  const count = Math.min(11, Math.floor((max - min) / step) + 1);
  const stride = (max - min) / Math.max(1, count - 1);
  return (
    <p className="flex flex-wrap items-center gap-4">
      <span>{minLabel}</span>
      {Array.from({ length: count }, (_, index) => min + index * stride).map((value) => (
        <span key={value} className="flex items-center gap-1.5">
          <span aria-hidden className="inline-block size-4 rounded-full border border-ink" />
          {formatNumber(value)}
        </span>
      ))}
      <span>{maxLabel}</span>
    </p>
  );
}

/** Lines to write on, a finger apart. */
function Lines({ count }: { readonly count: number }) {
  return (
    <div role="img" aria-label={t('print.lines', { count })}>
      {Array.from({ length: Math.min(30, count) }, (_, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: empty lines
        <div key={index} className="h-8 border-b border-edge" />
      ))}
    </div>
  );
}
