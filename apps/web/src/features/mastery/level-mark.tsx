import type { ClassMastery } from '@semita/core/contract';
import type { MasteryLevel } from '@semita/core/target';
import { Circle, CircleCheckBig, CircleDot, Minus } from 'lucide-react';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

export type ShownTarget = ClassMastery['targets'][number];
export type ShownMastery = ClassMastery['students'][number]['mastery'][number];

const looks = {
  met: { Icon: CircleCheckBig, ink: 'text-spruce' },
  nearly: { Icon: CircleDot, ink: 'text-marigold-ink' },
  notMet: { Icon: Circle, ink: 'text-brick' },
  none: { Icon: Minus, ink: 'text-quiet' },
} as const;

export type ShownLevel = MasteryLevel | 'none';
export const shownLevels: readonly ShownLevel[] = ['notMet', 'nearly', 'met', 'none'];

export const levelOf = (mastery: ShownMastery | undefined): ShownLevel => mastery?.level ?? 'none';

/** A level by shape and colour, and in words for who sees neither. */
export function LevelMark({ level }: { readonly level: ShownLevel }) {
  const { Icon, ink } = looks[level];
  return <Icon aria-hidden className={joinClasses('size-4 shrink-0', ink)} strokeWidth={2} />;
}

/** `F.2 Relates span to bending`, or the words alone where it is in no list. */
export const targetName = ({ code, words }: Pick<ShownTarget, 'code' | 'words'>): string =>
  code === '' ? words : `${code} ${words}`;

export function masteryWords(mastery: ShownMastery | undefined): string {
  const level = t(`mastery.level.${levelOf(mastery)}`);
  return mastery?.share == null ? level : t('mastery.cellShare', { share: formatShare(mastery.share), level });
}
