import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import type { Roster } from './given-to.ts';
import { rostersOptions } from './queries.ts';
import { type Presets, termPresetsOptions } from './term-presets.tsx';
import './words.ts';

interface Props {
  readonly title: string;
  readonly description: string;
  readonly onClose: () => void;
  readonly children: (rosters: readonly Roster[], presets: Presets) => ReactNode;
}

/** Where something is given: once it is known to whom that may be, and on which terms it was before. */
export function GivingDialog({ title, description, onClose, children }: Props) {
  const rosters = useQuery(rostersOptions());
  const presets = useQuery(termPresetsOptions());
  return (
    <Dialog open place="wide" onOpenChange={(open) => !open && onClose()} title={title} description={description}>
      <QueryView query={rosters}>
        {(all) =>
          all.length === 0 ? (
            <EmptyPlace title={t('assign.noClass')}>
              <Link to="/classes" className={buttonStyle({ look: 'main' })}>
                {t('assign.toClasses')}
              </Link>
            </EmptyPlace>
          ) : (
            <QueryView query={presets}>{(kept) => children(all, kept)}</QueryView>
          )
        }
      </QueryView>
    </Dialog>
  );
}
