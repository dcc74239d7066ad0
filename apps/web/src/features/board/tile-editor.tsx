import { type Lesson, type Tile, type TileTarget, tileColours, tileKinds } from '@semita/core/lesson';
import { X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Select, TextInput } from '../../ui/field.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { MoveButtons } from '../../ui/move-buttons.tsx';
import { t } from '../../words/words.ts';
import { tileEdges } from '../lesson-parts/tile-looks.ts';
import { GroupMenu } from '../path/group-menu.tsx';
import { PictureField } from '../picture/picture-field.tsx';
import '../path/words.ts';
import './words.ts';
import '../lesson-parts/tile-words.ts';

interface Props {
  readonly tile: Tile;
  readonly lesson: Lesson;
  /** The part of the board itself, to which no tile leads. */
  readonly partId: string;
  readonly number: number;
  readonly count: number;
  readonly asksWorth: boolean;
  readonly onChange: (tile: Tile) => void;
  readonly onMove: (step: -1 | 1) => void;
  readonly onRemove: () => void;
}

/** One tile: what stands on it, and where it leads. */
export function TileEditor({ tile, lesson, partId, number, count, asksWorth, onChange, onMove, onRemove }: Props) {
  const label = (of: 'title' | 'colour' | 'does' | 'minutes' | 'worth' | 'to' | 'address') =>
    t(`boardDesk.${of}`, { number });
  const whole = (value: number, most: number) => Number.isInteger(value) && value >= 0 && value <= most;
  return (
    <div
      className={joinClasses(
        'grid gap-2 rounded-control border border-l-4 bg-card p-3',
        tileEdges[tile.colour].split(' ')[0],
      )}
    >
      <div className="flex items-center gap-1">
        <span aria-hidden className="w-6 font-mono text-14 text-quiet">
          {number}
        </span>
        <TextInput
          ref={useFocusTarget(`tile:${tile.id}`)}
          aria-label={label('title')}
          placeholder={label('title')}
          className="h-9 min-w-0 grow text-14"
          value={tile.title}
          onChange={(event) => onChange({ ...tile, title: event.target.value })}
        />
        <MoveButtons
          index={number - 1}
          count={count}
          upLabel={t('boardDesk.up', { number })}
          downLabel={t('boardDesk.down', { number })}
          onMove={onMove}
        />
        <Button look="quiet" size="small" aria-label={t('boardDesk.removeTile', { number })} onClick={onRemove}>
          <X aria-hidden className="size-4" strokeWidth={1.75} />
        </Button>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Select
          aria-label={label('to')}
          className="min-w-0 grow"
          value={tile.to.kind === 'address' ? 'address' : tile.to.partId}
          onChange={(event) => onChange({ ...tile, to: targetOf(event.target.value) })}
        >
          {tile.to.kind === 'part' &&
            !lesson.parts.some(({ id }) => tile.to.kind === 'part' && id === tile.to.partId) && (
              <option value={tile.to.partId}>
                {t(tile.to.partId === '' ? 'boardDesk.choosePart' : 'path.to.gone')}
              </option>
            )}
          {lesson.parts
            .filter(({ id }) => id !== partId)
            .map(({ id, title }) => (
              <option key={id} value={id}>
                {t('boardDesk.toPart', { title: title || t('path.untitled') })}
              </option>
            ))}
          <option value="address">{t('boardDesk.outside')}</option>
        </Select>
        <Select
          aria-label={label('does')}
          className="min-w-0"
          value={tile.does}
          onChange={(event) => onChange({ ...tile, does: event.target.value as Tile['does'] })}
        >
          {tileKinds.map((kind) => (
            <option key={kind} value={kind}>
              {t(`board.does.${kind}`)}
            </option>
          ))}
        </Select>
        <span className="flex items-center gap-1 text-14">
          <TextInput
            type="number"
            aria-label={label('minutes')}
            className="h-9 w-16 px-2 font-mono text-14"
            min={0}
            max={1000}
            value={tile.minutes}
            onChange={(event) => {
              const minutes = event.target.valueAsNumber;
              if (whole(minutes, 1_000)) onChange({ ...tile, minutes });
            }}
          />
          {t('boardDesk.min')}
        </span>
        {asksWorth && (
          <span className="flex items-center gap-1 text-14">
            {t('boardDesk.worthShort')}
            <TextInput
              type="number"
              aria-label={label('worth')}
              className="h-9 w-16 px-2 font-mono text-14"
              min={0}
              max={100}
              value={tile.worth}
              onChange={(event) => {
                const worth = event.target.valueAsNumber;
                if (whole(worth, 100)) onChange({ ...tile, worth });
              }}
            />
          </span>
        )}
        <Select
          aria-label={label('colour')}
          className="min-w-0"
          value={tile.colour}
          onChange={(event) => onChange({ ...tile, colour: event.target.value as Tile['colour'] })}
        >
          {tileColours.map((colour) => (
            <option key={colour} value={colour}>
              {t(`boardDesk.colours.${colour}`)}
            </option>
          ))}
        </Select>
      </div>
      {tile.to.kind === 'address' && (
        <TextInput
          type="url"
          aria-label={label('address')}
          placeholder="https://"
          className="h-9 text-14"
          value={tile.to.url}
          onChange={(event) => onChange({ ...tile, to: { kind: 'address', url: event.target.value } })}
        />
      )}
      <div className="-ml-2.5">
        <GroupMenu
          of={tile.title || t('board.untitled')}
          onlyFor={tile.onlyFor}
          onChange={(onlyFor) => onChange({ ...tile, onlyFor })}
        />
      </div>
      <PictureField
        label={t('boardDesk.picture')}
        picture={tile.picture}
        onChange={(picture) => onChange({ ...tile, picture })}
      />
    </div>
  );
}

const targetOf = (value: string): TileTarget =>
  value === 'address' ? { kind: 'address', url: 'https://' } : { kind: 'part', partId: value };
