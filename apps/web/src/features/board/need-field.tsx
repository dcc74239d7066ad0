import { type Board, type BoardNeed, isNeedPossible } from '@semita/core/lesson';
import { TriangleAlert } from 'lucide-react';
import { Select, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { needWords } from '../lesson-parts/tile-looks.ts';
import '../lesson-parts/words.ts';
import './words.ts';

interface Props {
  readonly board: Board;
  readonly onChange: (board: Board) => void;
}

/** How the tiles stand, and what of them counts as done; said as a sentence, and whether it can be had. */
export function NeedField({ board, onChange }: Props) {
  const { need, arrangement, columns } = board;
  const setNeed = (next: BoardNeed) => onChange({ ...board, need: next });
  const count =
    need.kind === 'any' ? need.count : need.kind === 'firstAnd' ? need.more : need.kind === 'worth' ? need.worth : null;
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-14 font-medium">{t('boardDesk.need')}</legend>
      <div className="flex flex-wrap items-center gap-2">
        <Select
          aria-label={t('boardDesk.needKind')}
          value={need.kind}
          onChange={(event) => setNeed(needOf(event.target.value as BoardNeed['kind']))}
        >
          {(['any', 'firstAnd', 'eachRow', 'worth'] as const).map((kind) => (
            <option key={kind} value={kind} disabled={kind === 'eachRow' && arrangement === 'free'}>
              {t(`boardDesk.kinds.${kind}`)}
            </option>
          ))}
        </Select>
        {count !== null && (
          <TextInput
            type="number"
            aria-label={t('boardDesk.needCount')}
            className="h-9 w-20 px-2 font-mono text-14"
            min={need.kind === 'firstAnd' ? 0 : 1}
            max={100}
            value={count}
            onChange={(event) => {
              const next = event.target.valueAsNumber;
              if (Number.isInteger(next) && next >= (need.kind === 'firstAnd' ? 0 : 1)) setNeed(withCount(need, next));
            }}
          />
        )}
        <Select
          aria-label={t('boardDesk.arrangement')}
          value={arrangement === 'free' ? 'free' : String(columns)}
          onChange={(event) => {
            const { value } = event.target;
            const isFree = value === 'free';
            onChange({
              ...board,
              arrangement: isFree ? 'free' : 'grid',
              columns: isFree ? columns : Number(value),
              need: isFree && need.kind === 'eachRow' ? needOf('any') : need,
            });
          }}
        >
          {[1, 2, 3, 4, 5, 6].map((number) => (
            <option key={number} value={number}>
              {t('boardDesk.columns', { count: number })}
            </option>
          ))}
          <option value="free">{t('boardDesk.free')}</option>
        </Select>
      </div>
      <p className="text-14 text-quiet">{needWords(need)}</p>
      {!isNeedPossible(board) && (
        <p role="alert" className="flex items-center gap-1.5 text-14 text-brick">
          <TriangleAlert aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
          {t('fault.boardImpossible')}
        </p>
      )}
    </fieldset>
  );
}

/** What a kind of asking begins as. */
function needOf(kind: BoardNeed['kind']): BoardNeed {
  if (kind === 'eachRow') return { kind };
  if (kind === 'firstAnd') return { kind, more: 1 };
  return kind === 'worth' ? { kind, worth: 3 } : { kind, count: 1 };
}

function withCount(need: BoardNeed, count: number): BoardNeed {
  switch (need.kind) {
    case 'any':
      return { ...need, count };
    case 'firstAnd':
      return { ...need, more: count };
    case 'worth':
      return { ...need, worth: count };
    default:
      return need;
  }
}
