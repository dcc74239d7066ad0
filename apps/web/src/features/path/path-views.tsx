import { List, Network } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import '../assignment/words.ts';
import './words.ts';

/** Whether the path is shown as a map or as a list; the address says so. */
export function usePathView(): 'map' | 'list' {
  return useSearchParams()[0].get('as') === 'list' ? 'list' : 'map';
}

/** Goes from map to list and back. */
export function PathViews() {
  const [search, setSearch] = useSearchParams();
  const shown = usePathView();
  return (
    <fieldset aria-label={t('path.shownAs')} className="flex">
      {(['map', 'list'] as const).map((view) => {
        const Icon = view === 'map' ? Network : List;
        return (
          <Button
            key={view}
            size="small"
            aria-pressed={shown === view}
            className={joinClasses(
              view === 'map' ? 'rounded-r-none' : '-ml-px rounded-l-none',
              shown === view && 'border-main bg-main-tint text-main',
            )}
            onClick={() => {
              const next = new URLSearchParams(search);
              if (view === 'list') next.set('as', 'list');
              else next.delete('as');
              setSearch(next, { replace: true });
            }}
          >
            <Icon aria-hidden className="size-4" strokeWidth={1.75} />
            {t(`path.${view}`)}
          </Button>
        );
      })}
    </fieldset>
  );
}
