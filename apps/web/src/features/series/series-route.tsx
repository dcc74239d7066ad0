import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { ChangeSeries } from './change-series.tsx';
import { seriesOptions } from './queries.ts';
import { SeriesTable } from './series-table.tsx';
import './words.ts';

/** Where each student is in a series. */
export function Component() {
  const { seriesId = '' } = useParams();
  const query = useQuery(seriesOptions(seriesId));
  const [isChanging, setIsChanging] = useState(false);
  return (
    <QueryView isPage query={query}>
      {(series) => (
        <Page
          title={series.title}
          actions={
            series.runs &&
            series.steps.length > 0 && <Button onClick={() => setIsChanging(true)}>{t('series.change')}</Button>
          }
        >
          <p className="text-quiet">
            {[t('series.about', { count: series.steps.length }), series.steps[0]?.className].filter(Boolean).join(', ')}
          </p>
          {series.students.length === 0 ? <EmptyPlace title={t('series.nobody')} /> : <SeriesTable series={series} />}
          {isChanging && <ChangeSeries series={series} onClose={() => setIsChanging(false)} />}
        </Page>
      )}
    </QueryView>
  );
}
