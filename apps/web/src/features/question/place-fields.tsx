import type { Response } from '@semita/core/question';
import { t } from '../../words/words.ts';
import type { FieldProps } from './field-props.ts';
import { GapText } from './gap-text.tsx';
import { areaBox, PictureBoard } from './picture-board.tsx';
import { Place, PlacingField, WordPool } from './placing.tsx';
import { RichText } from './rich-text.tsx';
import './words.ts';

function placedIn(response: Response | undefined): Readonly<Record<string, string>> {
  return response?.kind === 'gaps' ? response.gaps : {};
}

/** Gaps into which words are put. */
export function GapMatchField({ question, response, onChange }: FieldProps<'gapMatch'>) {
  return (
    <PlacingField
      words={question.words}
      placed={placedIn(response)}
      onChange={(gaps) => onChange({ kind: 'gaps', gaps })}
    >
      <GapText
        pieces={question.pieces}
        gap={(gapId, number) => (
          <Place
            id={gapId}
            label={t('question.gap', { number })}
            className="mx-0.5 inline-block min-w-24 align-middle"
          />
        )}
      />
      <WordPool label={t('question.wordBox')} />
    </PlacingField>
  );
}

/** Each on the left gets one of those below. */
export function MatchField({ question, response, onChange }: FieldProps<'match'>) {
  const pairs = response?.kind === 'pairs' ? response.pairs : [];
  return (
    <PlacingField
      words={question.targets}
      placed={Object.fromEntries(pairs)}
      isReusable
      onChange={(placed) => onChange({ kind: 'pairs', pairs: Object.entries(placed) })}
    >
      <ul className="grid gap-2">
        {question.sources.map(({ id, text }) => (
          <li key={id} className="grid grid-cols-2 items-center gap-2">
            <RichText text={text} className="min-w-0" />
            <Place id={id} label={text} />
          </li>
        ))}
      </ul>
      <WordPool label={t('question.matchPool')} isReusable />
    </PlacingField>
  );
}

/** Labels that are put on places of the question's picture. */
export function GraphicGapMatchField({ question, response, onChange }: FieldProps<'graphicGapMatch'>) {
  return (
    <PlacingField
      words={question.words}
      placed={placedIn(response)}
      onChange={(gaps) => onChange({ kind: 'gaps', gaps })}
    >
      {question.picture && (
        <PictureBoard picture={question.picture}>
          {question.areas.map((area) => {
            const { left, top, width, height } = areaBox(area);
            return (
              <Place
                key={area.id}
                id={area.id}
                label={area.label}
                className="absolute min-h-8 max-w-none overflow-hidden px-1 py-0 text-center text-14"
                style={{ left, top, minWidth: width, minHeight: height }}
              />
            );
          })}
        </PictureBoard>
      )}
      <WordPool label={t('question.labels')} />
    </PlacingField>
  );
}
