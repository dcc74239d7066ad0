import type { CatalogueItem } from '@semita/core/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Select, TextInput } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { catalogueOptions } from '../materials/queries.ts';
import { showReceived } from '../materials/upload.ts';
import './words.ts';

const lengths = { anyLength: null, fiveMinutes: 300, twentyMinutes: 1_200 } as const;
type Length = keyof typeof lengths;
/** Licences under which a teacher may show a film and cut it, as SPDX names them. */
const licences = ['', 'CC0-1.0', 'CC-BY-4.0', 'CC-BY-SA-4.0'] as const;

/** A search of the school's media catalogue; nothing where there is none. */
export function CatalogueSearch() {
  const [words, setWords] = useState('');
  const [length, setLength] = useState<Length>('anyLength');
  const [licence, setLicence] = useState('');
  const [wish, setWish] = useState({ words: '', maxSeconds: null as number | null, licence: '' });
  const query = useQuery(catalogueOptions(wish));
  const wordsId = useId();
  if (query.data?.isThere === false) return null;
  return (
    <section aria-labelledby={`${wordsId}-title`} className="grid gap-3 border-t border-line pt-4">
      <h3 id={`${wordsId}-title`} className="text-16">
        {t('catalogue.title')}
      </h3>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          setWish({ words, maxSeconds: lengths[length], licence });
        }}
      >
        <TextInput
          type="search"
          aria-label={t('catalogue.words')}
          placeholder={t('catalogue.words')}
          className="h-9 w-60 text-14"
          maxLength={200}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <Choice label={t('catalogue.length')} value={length} onChange={(value) => setLength(value as Length)}>
          {(Object.keys(lengths) as Length[]).map((one) => (
            <option key={one} value={one}>
              {t(`catalogue.${one}`)}
            </option>
          ))}
        </Choice>
        <Choice label={t('catalogue.licence')} value={licence} onChange={setLicence}>
          {licences.map((one) => (
            <option key={one} value={one}>
              {one === '' ? t('catalogue.anyLicence') : one}
            </option>
          ))}
        </Choice>
        <Button type="submit">{t('catalogue.search')}</Button>
      </form>
      <QueryView query={query}>
        {({ items }) =>
          items.length === 0 ? (
            <p className="text-14 text-quiet">{t('catalogue.nothing')}</p>
          ) : (
            <ul className="divide-y divide-line">
              {items.map((item) => (
                <Item key={item.id} item={item} />
              ))}
            </ul>
          )
        }
      </QueryView>
    </section>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: React.ReactNode;
}

function Choice({ label, value, onChange, children }: ChoiceProps) {
  return (
    <Select aria-label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {children}
    </Select>
  );
}

function Item({ item }: { readonly item: CatalogueItem }) {
  const take = useMutation({
    mutationFn: () => call('takeFromCatalogue', { body: { itemId: item.id } }),
    onSuccess: ({ id }) => showReceived(id),
    onError: (error) => toast.error(errorWords(error)),
  });
  const facts = [
    formatClock(item.seconds * 1000),
    item.licence,
    item.author,
    item.hasCaptions ? t('catalogue.captions') : t('shelf.noCaptions'),
  ];
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-2 py-2">
      <div className="min-w-0 grow basis-72">
        <p className="font-medium">{item.title}</p>
        <p className="text-14">{item.description}</p>
        <p className="text-13 text-quiet">{facts.join(' · ')}</p>
      </div>
      <Button
        size="small"
        disabled={take.isPending}
        aria-label={t('app.verbOn', { verb: t('catalogue.take'), title: item.title })}
        onClick={() => take.mutate()}
      >
        {t('catalogue.take')}
      </Button>
    </li>
  );
}
