import type { BankItem } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import type { ReactNode } from 'react';
import { formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { kindWords } from '../question/kind-words.ts';
import './words.ts';

interface Props {
  readonly item: BankItem;
  readonly isChosen: boolean;
  readonly onToggle: () => void;
  readonly children?: ReactNode;
}

/** One question of the bank: its words, what kind it is, what it is about, and how hard it has proved. */
export function BankRow({ item, isChosen, onToggle, children }: Props) {
  const { question, tags } = item;
  const facts = [
    kindWords(question),
    t('stop.pointsOnly', { count: question.points / 100, points: formatPoints(question.points) }),
    ...(question.target ? [question.target] : []),
  ];
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2.5">
      <label className="flex min-w-0 grow items-start gap-3">
        <input type="checkbox" className="mt-1 size-4 shrink-0 accent-main" checked={isChosen} onChange={onToggle} />
        <span className="min-w-0">
          <span className="line-clamp-2 font-medium break-words">{plainWords(question.stem) || t('desk.empty')}</span>
          <span className="flex flex-wrap items-center gap-x-2 text-14 text-quiet">
            {facts.join(' · ')}
            {tags.map((tag) => (
              <span key={tag} className="rounded-control bg-main-tint px-1.5 text-13 text-ink">
                {tag}
              </span>
            ))}
          </span>
        </span>
      </label>
      <SeenDifficulty item={item} />
      {children}
    </li>
  );
}

/** How hard a question has proved, as far as that can be said. */
function SeenDifficulty({ item }: { readonly item: BankItem }) {
  const { count, share } = item.seen;
  return (
    <span className="grid w-32 text-right text-14 text-quiet">
      {share !== null && <span className="text-ink">{t('bank.seen', { share: formatShare(share) })}</span>}
      <span>{count === 0 ? t('bank.notAsked') : t('bank.answers', { count })}</span>
      {count > 0 && share === null && <span>{t('bank.tooFew')}</span>}
    </span>
  );
}
