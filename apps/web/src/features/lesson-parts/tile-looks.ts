import type { BoardNeed, TileColour, TileKind } from '@semita/core/lesson';
import {
  BookOpen,
  Calculator,
  Eye,
  Hammer,
  type LucideIcon,
  MessagesSquare,
  PencilLine,
  PencilRuler,
  Sparkles,
} from 'lucide-react';
import { t } from '../../words/words.ts';
import './tile-words.ts';

export const tileEdges: Readonly<Record<TileColour, string>> = {
  plain: 'border-edge bg-card',
  main: 'border-main bg-main-tint',
  marigold: 'border-marigold bg-marigold-tint',
  spruce: 'border-spruce bg-spruce-tint',
  slate: 'border-slate bg-slate-tint',
  brick: 'border-brick bg-brick-tint',
};

export const tileIcons: Readonly<Record<TileKind, LucideIcon>> = {
  watch: Eye,
  read: BookOpen,
  make: Hammer,
  draw: PencilRuler,
  calculate: Calculator,
  write: PencilLine,
  talk: MessagesSquare,
  other: Sparkles,
};

/** What a board asks for, as a sentence for whoever does it. */
export function needWords(need: BoardNeed): string {
  switch (need.kind) {
    case 'any':
      return t('board.need.any', { count: need.count });
    case 'eachRow':
      return t('board.need.eachRow');
    case 'firstAnd':
      return t('board.need.firstAnd', { count: need.more });
    case 'worth':
      return t('board.need.worth', { worth: need.worth });
  }
}
