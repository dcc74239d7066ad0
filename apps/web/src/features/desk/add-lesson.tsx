import { type LessonPart, untimedWindow } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions } from '../materials/queries.ts';
import './words.ts';

interface Props {
  /** The lesson that is edited, which cannot show itself. */
  readonly lessonId: string;
  readonly onAdd: (part: LessonPart) => void;
  readonly onClose: () => void;
}

/** Chooses another lesson to stand in this one; only those of which there is an edition. */
export function AddLesson({ lessonId, onAdd, onClose }: Props) {
  const query = useQuery(lessonsOptions());
  const [chosenId, setChosenId] = useState('');
  return (
    <Dialog open onOpenChange={(isOpen) => !isOpen && onClose()} title={t('desk.addLesson')}>
      <QueryView query={query}>
        {(lessons) => {
          const offered = lessons.filter(({ id, editionNumber }) => id !== lessonId && editionNumber !== null);
          const chosen = offered.find(({ id }) => id === chosenId);
          if (offered.length === 0) return <p className="text-quiet">{t('innerLesson.none')}</p>;
          return (
            <div className="grid gap-4">
              <Field label={t('innerLesson.which')} help={t('innerLesson.whichHelp')}>
                {(ids) => (
                  <Select {...ids} value={chosenId} onChange={(event) => setChosenId(event.target.value)}>
                    <option value="">{t('innerLesson.choose')}</option>
                    {offered.map(({ id, title }) => (
                      <option key={id} value={id}>
                        {title}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <div>
                <Button
                  look="main"
                  disabled={!chosen}
                  onClick={() =>
                    chosen &&
                    onAdd({
                      ...{ id: v7(), kind: 'lesson', title: chosen.title, ...untimedWindow, stops: [] },
                      ...{ lessonId: chosen.id, editionNumber: null },
                    })
                  }
                >
                  {t('innerLesson.addThis')}
                </Button>
              </div>
            </div>
          );
        }}
      </QueryView>
    </Dialog>
  );
}
