import { cueWords } from '@semita/core/captions';
import type { MaterialPart } from '@semita/core/lesson';
import { type ScriptLine, scriptOf } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { t } from '../../words/words.ts';
import { captionsOptions } from '../film/queries.ts';
import { contentOptions, contentScript } from '../reading/content.ts';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly fromMs: number;
  readonly toMs: number;
}

/** What is said, or stands written, in a stretch of a part. */
export function SaidThere(props: Props) {
  return props.part.kind === 'clip' ? <Said {...props} /> : <Written {...props} />;
}

const within =
  ({ fromMs, toMs }: Props) =>
  (line: ScriptLine) =>
    line.endMs > fromMs && line.startMs < toMs;

function Said(props: Props) {
  const { data } = useQuery(captionsOptions(props.part.materialId));
  if (!data) return null;
  const words = scriptOf(data, props.part.outMs)
    .filter(within(props))
    .map(({ text }) => cueWords(text ?? ''))
    .join(' ');
  return <p className="text-14 leading-6">{words || <span className="text-quiet">{t('catchUp.noWords')}</span>}</p>;
}

function Written(props: Props) {
  const { data } = useQuery(contentOptions(props.part.materialId));
  if (!data) return null;
  const lines = contentScript(data);
  return (
    <div className="grid gap-2 text-14 leading-6">
      {lines.filter(within(props)).map((line) => (
        <p key={line.startMs} className="break-words">
          {props.part.kind === 'deck' && (
            <span className="text-quiet">{t('catchUp.slide', { number: lines.indexOf(line) + 1 })}: </span>
          )}
          {line.text}
        </p>
      ))}
    </div>
  );
}
