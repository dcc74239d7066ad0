import type { LearnerQuestion, LearnerQuestionOf } from '@semita/core/learner';
import type { Verdicts } from '@semita/core/marking';
import type { Area, Drawing, Response, ResponseBody } from '@semita/core/question';
import { Check, Link2, Plus, X } from 'lucide-react';
import { lazy, type ReactNode, Suspense } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatNumber } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { GapText } from './gap-text.tsx';
import { HandedFileList } from './handed-file.tsx';
import { areaBox, areaClip, PictureBoard } from './picture-board.tsx';
import { RichText } from './rich-text.tsx';
import { confidenceWords } from './sure-field.tsx';
import './words.ts';

const GivenDrawing = lazy(async () => ({ default: (await import('./given-drawing.tsx')).GivenDrawing }));

interface Props {
  readonly question: LearnerQuestion;
  readonly response: Response;
  /** The key; null where there is none, or it is not to be shown yet. */
  readonly answerKey: ResponseBody | null;
  readonly verdicts: Verdicts;
  /** It earned all there is: the key need not be said. */
  readonly isFull?: boolean;
  readonly keyAreas?: readonly Area[];
  readonly feedback?: readonly { readonly optionId: string; readonly text: string }[];
  /** What a teacher drew on it: on a drawing under `drawing`, on a file under its id. */
  readonly drawn?: Readonly<Record<string, Drawing>>;
}

/** What was given to a question, and, where it may be known, what of it is right. */
export function GivenResponse(props: Props) {
  const { response } = props;
  return (
    <div className="grid gap-2">
      <GivenOfKind {...props} />
      {response.confidence !== undefined && (
        <p className="text-14 text-quiet">{t('question.wasSure', { sure: confidenceWords(response.confidence) })}</p>
      )}
    </div>
  );
}

function GivenOfKind({
  question,
  response,
  answerKey,
  verdicts,
  isFull = false,
  keyAreas = [],
  feedback = [],
  drawn = {},
}: Props): ReactNode {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return <GivenOptions {...{ question, response, answerKey, verdicts, feedback }} />;
    case 'inlineChoice':
    case 'gapMatch':
    case 'textEntry':
      return <GivenGaps {...{ question, response, answerKey, verdicts }} />;
    case 'numeric':
      return (
        <>
          {response.kind === 'number' && <Plain>{response.text}</Plain>}
          {answerKey?.kind === 'number' && !isFull && <KeyLine>{answerKey.text}</KeyLine>}
        </>
      );
    case 'order':
      return <GivenOrder {...{ question, response, answerKey, verdicts }} />;
    case 'match':
    case 'associate':
      return <GivenPairs {...{ question, response, answerKey, verdicts }} />;
    case 'hottext':
      return <GivenWords {...{ question, response, answerKey, verdicts }} />;
    case 'hotspot':
    case 'selectPoint':
    case 'graphicGapMatch':
      return <GivenOnPicture {...{ question, response, answerKey, verdicts, keyAreas }} />;
    case 'slider':
      return (
        <>
          {response.kind === 'scale' && (
            <Plain>
              <span className="font-mono">{formatNumber(response.value)}</span>{' '}
              <span className="text-quiet">
                ({formatNumber(question.min)} {question.minLabel} – {formatNumber(question.max)} {question.maxLabel})
              </span>
            </Plain>
          )}
          {answerKey?.kind === 'scale' && !isFull && <KeyLine>{formatNumber(answerKey.value)}</KeyLine>}
        </>
      );
    case 'extendedText':
    case 'discussion':
      return response.kind === 'extendedText' ? <Plain>{response.text}</Plain> : null;
    case 'drawing':
      return response.kind === 'drawing' ? (
        <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
          <GivenDrawing question={question} drawing={response.drawing} over={drawn.drawing} />
        </Suspense>
      ) : null;
    case 'upload':
    case 'record':
      return response.kind === 'files' ? <HandedFileList files={response.files} drawn={drawn} /> : null;
  }
}

function Plain({ children }: { readonly children: ReactNode }) {
  return <div className="rounded-control bg-paper px-3 py-2 whitespace-pre-wrap">{children}</div>;
}

function KeyLine({ children }: { readonly children: ReactNode }) {
  return (
    <p className="text-14 text-spruce">
      {t('question.rightIs')} <span className="whitespace-pre-wrap">{children}</span>
    </p>
  );
}

interface PartProps<K extends LearnerQuestion['kind']> {
  readonly question: LearnerQuestionOf<K>;
  readonly response: Response;
  readonly answerKey: ResponseBody | null;
  readonly verdicts: Verdicts;
}

type Standing = 'right' | 'wrong' | 'missed';

const standings = {
  right: { Icon: Check, colour: 'text-spruce', word: 'question.right' },
  wrong: { Icon: X, colour: 'text-brick', word: 'question.notRight' },
  missed: { Icon: Plus, colour: 'text-slate', word: 'question.missed' },
} as const;

function StandingIcon({ standing }: { readonly standing: Standing | null }) {
  if (!standing) return null;
  const { Icon, colour } = standings[standing];
  return <Icon aria-hidden className={`mt-1 size-4 shrink-0 ${colour}`} strokeWidth={2.25} />;
}

function StandingWord({ standing }: { readonly standing: Standing | null }) {
  if (!standing) return null;
  const { colour, word } = standings[standing];
  return <span className={`text-14 ${colour}`}> ({t(word)})</span>;
}

function standingOf(verdict: boolean | undefined): Standing | null {
  return verdict === undefined ? null : verdict ? 'right' : 'wrong';
}

function GivenOptions({
  question,
  response,
  answerKey,
  verdicts,
  feedback,
}: PartProps<'choice' | 'poll'> & { readonly feedback: NonNullable<Props['feedback']> }) {
  const picked = response.kind === 'choice' ? response.optionIds : [];
  const key = answerKey?.kind === 'choice' ? answerKey.optionIds : [];
  return (
    <ul className="grid gap-1.5">
      {question.options
        .filter(({ id }) => picked.includes(id) || key.includes(id))
        .map(({ id, text, picture }) => {
          const standing = picked.includes(id) ? standingOf(verdicts[id]) : 'missed';
          const said = feedback.find((one) => one.optionId === id)?.text;
          return (
            <li key={id} className="flex gap-2">
              <StandingIcon standing={standing} />
              <div className="min-w-0">
                <div className="flex flex-wrap items-baseline gap-x-1">
                  <RichText text={text || (picture?.alt ?? '')} />
                  <StandingWord standing={standing} />
                </div>
                {said && <RichText text={said} className="text-14 text-quiet" />}
              </div>
            </li>
          );
        })}
    </ul>
  );
}

const filledStyle = (standing: Standing | null) =>
  joinClasses(
    'rounded-control border px-1.5 py-0.5',
    standing === 'right' && 'border-spruce bg-spruce-tint',
    standing === 'wrong' && 'border-brick bg-brick-tint',
    standing === null && 'border-edge bg-paper',
    standing === 'missed' && 'border-dashed border-slate',
  );

function GivenGaps({ question, response, answerKey, verdicts }: PartProps<'inlineChoice' | 'gapMatch' | 'textEntry'>) {
  const given = response.kind === 'gaps' ? response.gaps : {};
  const key = answerKey?.kind === 'gaps' ? answerKey.gaps : {};
  const wordsOf = (gapId: string, value: string | undefined) => {
    if (value === undefined) return '';
    if (question.kind === 'textEntry') return value;
    const options =
      question.kind === 'gapMatch' ? question.words : (question.gaps.find(({ id }) => id === gapId)?.options ?? []);
    return options.find(({ id }) => id === value)?.text ?? '';
  };
  return (
    <GapText
      pieces={question.pieces}
      gap={(gapId) => {
        const standing = given[gapId] === undefined ? (answerKey ? 'missed' : null) : standingOf(verdicts[gapId]);
        return (
          <span>
            <span className={filledStyle(standing)}>{wordsOf(gapId, given[gapId]) || '…'}</span>
            {standing !== 'right' && key[gapId] !== undefined && (
              <span className="text-14 text-spruce"> → {wordsOf(gapId, key[gapId])}</span>
            )}
            {standing && <span className="sr-only"> ({t(standings[standing].word)})</span>}
          </span>
        );
      }}
    />
  );
}

function GivenOrder({ question, response, answerKey, verdicts }: PartProps<'order'>) {
  const textOf = (id: string) => question.items.find((item) => item.id === id)?.text ?? '';
  const given = response.kind === 'order' ? response.itemIds : [];
  const isWrong = Object.values(verdicts).includes(false);
  return (
    <>
      <ol className="grid gap-1">
        {given.map((id, index) => (
          <li key={id} className="flex gap-2">
            <span className="w-5 shrink-0 text-right font-mono text-14 text-quiet">{index + 1}</span>
            <StandingIcon standing={standingOf(verdicts[id])} />
            <RichText text={textOf(id)} />
          </li>
        ))}
      </ol>
      {isWrong && answerKey?.kind === 'order' && <KeyLine>{answerKey.itemIds.map(textOf).join(' → ')}</KeyLine>}
    </>
  );
}

function GivenPairs({ question, response, answerKey, verdicts }: PartProps<'match' | 'associate'>) {
  const items = question.kind === 'match' ? [...question.sources, ...question.targets] : question.items;
  const textOf = (id: string) => items.find((item) => item.id === id)?.text ?? '';
  const given = response.kind === 'pairs' ? response.pairs : [];
  const key = answerKey?.kind === 'pairs' ? answerKey.pairs : [];
  const isMet = ([a, b]: readonly [string, string]) =>
    given.some((pair) => pair.includes(a) && pair.includes(b) && verdicts[pair[0]] === true);
  const row = (pair: readonly [string, string], standing: Standing | null) => (
    <li key={pair.join()} className="flex items-start gap-2">
      <StandingIcon standing={standing} />
      <RichText text={textOf(pair[0])} />
      <Link2 aria-hidden className="mt-1 size-4 shrink-0 text-quiet" strokeWidth={1.75} />
      <RichText text={textOf(pair[1])} />
      <StandingWord standing={standing} />
    </li>
  );
  return (
    <ul className="grid gap-1">
      {given.map((pair) => row(pair, standingOf(verdicts[pair[0]])))}
      {key.filter((pair) => !isMet(pair)).map((pair) => row(pair, 'missed'))}
    </ul>
  );
}

function GivenWords({ question, response, answerKey, verdicts }: PartProps<'hottext'>) {
  const picked = response.kind === 'choice' ? response.optionIds : [];
  const key = answerKey?.kind === 'choice' ? answerKey.optionIds : [];
  return (
    <p className="leading-9 whitespace-pre-wrap">
      {question.words.map(({ id, text }) => {
        const isPicked = picked.includes(id);
        if (!isPicked && !key.includes(id)) return <span key={id}>{text}</span>;
        const standing = isPicked ? standingOf(verdicts[id]) : 'missed';
        return (
          <span key={id} className={filledStyle(standing)}>
            {text}
            {standing && <span className="sr-only"> ({t(standings[standing].word)})</span>}
          </span>
        );
      })}
    </p>
  );
}

function GivenOnPicture({
  question,
  response,
  answerKey,
  verdicts,
  keyAreas,
}: PartProps<'hotspot' | 'selectPoint' | 'graphicGapMatch'> & { readonly keyAreas: readonly Area[] }) {
  if (!question.picture) return null;
  return (
    <PictureBoard picture={question.picture}>
      {question.kind === 'selectPoint' ? (
        <GivenPoints {...{ response, verdicts, keyAreas }} />
      ) : (
        question.areas.map((area) => <GivenArea key={area.id} {...{ question, area, response, answerKey, verdicts }} />)
      )}
    </PictureBoard>
  );
}

function GivenArea({
  question,
  area,
  response,
  answerKey,
  verdicts,
}: PartProps<'hotspot' | 'graphicGapMatch'> & { readonly area: Area }) {
  const isLabel = question.kind === 'graphicGapMatch';
  const wordOf = (given: ResponseBody | Response | null) => {
    if (!isLabel) return '';
    const id = given?.kind === 'gaps' ? given.gaps[area.id] : undefined;
    return question.words.find((word) => word.id === id)?.text ?? '';
  };
  const isGiven = isLabel
    ? wordOf(response) !== ''
    : response.kind === 'choice' && response.optionIds.includes(area.id);
  const isKey = isLabel
    ? wordOf(answerKey) !== ''
    : answerKey?.kind === 'choice' && answerKey.optionIds.includes(area.id);
  if (!isGiven && !isKey) return null;
  const standing = isGiven ? standingOf(verdicts[area.id]) : 'missed';
  const box = areaBox(area);
  return (
    <span
      style={isLabel ? { left: box.left, top: box.top } : { ...box, clipPath: areaClip(area) }}
      className={joinClasses(
        'absolute text-14',
        isLabel ? 'rounded-control border bg-card px-1' : 'border-4',
        !isLabel && area.shape === 'ellipse' && 'rounded-[50%]',
        standing === 'right' && 'border-spruce text-spruce',
        standing === 'wrong' && 'border-brick text-brick',
        standing === 'missed' && 'border-dashed border-slate text-slate',
        standing === null && 'border-main',
      )}
    >
      {isLabel ? (
        <>
          {wordOf(response)}
          {standing !== 'right' && wordOf(answerKey) !== '' && (
            <span className="text-spruce"> → {wordOf(answerKey)}</span>
          )}
        </>
      ) : (
        <span className="sr-only">{area.label}</span>
      )}
      {standing && <span className="sr-only"> ({t(standings[standing].word)})</span>}
    </span>
  );
}

interface PointsProps {
  readonly response: Response;
  readonly verdicts: Verdicts;
  readonly keyAreas: readonly Area[];
}

function GivenPoints({ response, verdicts, keyAreas }: PointsProps) {
  return (
    <>
      {keyAreas.map((area) => (
        <span
          key={area.id}
          style={areaBox(area)}
          className={joinClasses(
            'absolute border-2 border-dashed border-spruce bg-spruce/20',
            area.shape === 'ellipse' && 'rounded-[50%]',
          )}
        >
          <span className="sr-only">{area.label}</span>
        </span>
      ))}
      {response.kind === 'points' &&
        response.points.map(([x, y], index) => {
          const standing = standingOf(verdicts[String(index)]);
          return (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: points have no names
              key={index}
              style={{ left: `${x / 100}%`, top: `${y / 100}%` }}
              className={joinClasses(
                'absolute grid size-6 -translate-1/2 place-items-center rounded-full border-2 border-card text-13 text-on-main',
                standing === 'right' ? 'bg-spruce' : standing === 'wrong' ? 'bg-brick' : 'bg-main',
              )}
            >
              {index + 1}
              {standing && <span className="sr-only"> ({t(standings[standing].word)})</span>}
            </span>
          );
        })}
    </>
  );
}
