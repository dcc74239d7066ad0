import type { Sheet } from '@semita/core/contract';
import { type Need, needOfStudent, needs } from '@semita/core/sheet';
import { Users } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { t } from '../../words/words.ts';
import { PutIntoGroup } from '../picked/put-into-group.tsx';
import '../picked/words.ts';
import './words.ts';

/** Those who need the same become a group: of each of their classes, by one name. */
export function IntoGroup({ sheet }: { readonly sheet: Sheet }) {
  const [isOpen, setIsOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly Need[]>([]);
  const here = sheet.students
    .filter(({ leftAt, isGuest }) => leftAt === undefined && !isGuest)
    .map((student) => ({ ...student, id: student.studentId, need: needOfStudent(student, sheet) }));
  const close = () => {
    setIsOpen(false);
    setChosen([]);
  };
  return (
    <>
      <Button size="small" onClick={() => setIsOpen(true)}>
        <Users aria-hidden className="size-4" strokeWidth={1.75} />
        {t('intoGroup.open')}
      </Button>
      {isOpen && (
        <PutIntoGroup students={here.filter(({ need }) => chosen.includes(need))} onClose={close}>
          <fieldset className="grid gap-1">
            <legend className="mb-1 text-14 font-medium">{t('intoGroup.who')}</legend>
            {needs.flatMap((need) => {
              const count = here.filter((one) => one.need === need).length;
              if (count === 0) return [];
              return [
                <CheckInput
                  key={need}
                  checked={chosen.includes(need)}
                  onChange={(isOn) => setChosen(isOn ? [...chosen, need] : chosen.filter((one) => one !== need))}
                >
                  {t('intoGroup.need', { need: t(`need.${need}`), count })}
                </CheckInput>,
              ];
            })}
          </fieldset>
        </PutIntoGroup>
      )}
    </>
  );
}
