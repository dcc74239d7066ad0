import type { OneRosterPlan } from '@semita/core/contract';
import type { OneRoster, RosterFault } from '@semita/core/roster';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Download, FileArchive } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, pathOf } from '../../../api/client.ts';
import { Button, buttonStyle } from '../../../ui/button.tsx';
import { CheckInput } from '../../../ui/check-input.tsx';
import { Dialog, DialogClose } from '../../../ui/dialog.tsx';
import { FileButton } from '../../../ui/file-button.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { QueryView } from '../../../ui/query-view.tsx';
import { t } from '../../../words/words.ts';
import { useSchoolChange } from '../use-school-change.ts';
import { readPackage } from './read-package.ts';
import '../words.ts';

/** In bytes; compressed, so far more than the largest school. */
const largestPackage = 50_000_000;

/** People and classes out of the system in which the school keeps them. */
export function OneRosterPanel() {
  const read = useMutation({
    mutationFn: async (file: File) => {
      const found = file.size > largestPackage ? null : await readPackage(await file.arrayBuffer());
      if (!found) throw new Error('not a package');
      return found;
    },
  });
  return (
    <section className="grid content-start gap-3 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('school.rosterTitle')}</h2>
      <p className="text-14 text-quiet">{t('school.rosterHelp')}</p>
      {read.isError && (
        <Notice tone="attention" role="alert">
          {t('school.rosterUnreadable')}
        </Notice>
      )}
      <div className="flex flex-wrap gap-3">
        <FileButton accept=".zip,application/zip" disabled={read.isPending} onFile={(file) => read.mutate(file)}>
          <FileArchive aria-hidden className="size-4" strokeWidth={1.75} />
          {t(read.isPending ? 'school.rosterReading' : 'school.rosterFile')}
        </FileButton>
        <a className={buttonStyle()} href={pathOf('exportOneRoster', {})} download>
          <Download aria-hidden className="size-4" strokeWidth={1.75} />
          {t('school.rosterSave')}
        </a>
      </div>
      {read.data && <PackageDialog found={read.data} onClose={read.reset} />}
    </section>
  );
}

/** What a package comes to; nothing is written before it is said. */
function PackageDialog({ found, onClose }: { readonly found: OneRoster; readonly onClose: () => void }) {
  const [takesOutGone, setTakesOutGone] = useState(false);
  const sent = {
    people: [...found.people],
    classes: found.classes.map((one) => ({
      ...one,
      studentIds: [...one.studentIds],
      teacherIds: [...one.teacherIds],
    })),
  };
  const plan = useQuery({
    queryKey: ['one-roster', found],
    queryFn: () => call('planOneRoster', { body: sent }),
    staleTime: 0,
    gcTime: 0,
  });
  const take = useSchoolChange(
    () => call('takeOneRoster', { body: { package: sent, takesOutGone } }),
    () => {
      toast(t('school.rosterTaken'));
      onClose();
    },
  );
  return (
    <Dialog
      open
      keepsAtOnce
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('school.rosterTitle')}
      description={t('school.rosterPlanHelp')}
    >
      <QueryView query={plan}>
        {(planned) => {
          const gone = planned.classes.reduce((sum, one) => sum + one.gone.length, 0);
          return (
            <div className="grid gap-5">
              <p className="text-14" role="status">
                {t('school.rosterPeople', planned.people)}
              </p>
              {found.faults.length > 0 && <Faults faults={found.faults} />}
              <Classes classes={planned.classes} />
              {gone > 0 && (
                <CheckInput checked={takesOutGone} onChange={setTakesOutGone}>
                  {t('school.rosterTakeOut', { count: gone })}
                </CheckInput>
              )}
              <div className="flex gap-3">
                <Button look="main" disabled={take.isPending} onClick={() => take.mutate(undefined)}>
                  {t(take.isPending ? 'school.rosterTaking' : 'school.rosterTake')}
                </Button>
                <DialogClose>{t('school.rosterNotNow')}</DialogClose>
              </div>
            </div>
          );
        }}
      </QueryView>
    </Dialog>
  );
}

function Classes({ classes }: Pick<OneRosterPlan, 'classes'>) {
  return (
    <div className="max-h-[45dvh] overflow-auto rounded-card border border-line">
      <table className="w-full text-14">
        <thead className="text-left text-quiet">
          <tr className="border-b border-line">
            <th className="px-4 py-2 font-medium">{t('school.rosterClass')}</th>
            <th className="px-4 py-2 text-right font-medium">{t('school.rosterStudents')}</th>
            <th className="px-4 py-2 text-right font-medium">{t('school.rosterComing')}</th>
            <th className="px-4 py-2 font-medium">{t('school.rosterGone')}</th>
          </tr>
        </thead>
        <tbody>
          {classes.map(({ externalId, name, isNew, studentCount, coming, gone }) => (
            <tr key={externalId} className="h-9 border-b border-line last:border-0">
              <td className="px-4">
                <span className="font-medium">{name}</span>
                {isNew && <span className="ml-2 text-spruce">{t('school.rosterNew')}</span>}
              </td>
              <td className="px-4 text-right font-mono">{studentCount}</td>
              <td className="px-4 text-right font-mono">{coming}</td>
              <td className="px-4 text-quiet">{gone.map(({ displayName }) => displayName).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const shownFaults = 20;

function Faults({ faults }: { readonly faults: readonly RosterFault[] }) {
  return (
    <Notice tone="attention" title={t('school.rosterFaults', { count: faults.length })}>
      <ul>
        {faults.slice(0, shownFaults).map(({ file, row, fault }) => (
          <li key={`${file} ${row} ${fault}`}>
            {t('school.rosterFaultAt', { file, row })} {t(`school.rosterFault.${fault}`)}
          </li>
        ))}
        {faults.length > shownFaults && <li>{t('school.rosterMoreFaults', { count: faults.length - shownFaults })}</li>}
      </ul>
    </Notice>
  );
}
