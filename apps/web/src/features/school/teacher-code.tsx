import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { useSchoolChange } from './use-school-change.ts';
import './words.ts';

/** A code by which colleagues come to the school without being invited one by one. */
export function TeacherCode({ code }: { readonly code: string | null }) {
  const change = useSchoolChange((isOn: boolean) => call('setTeacherCode', { body: { isOn } }));
  return (
    <section className="grid content-start gap-3 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('school.codeTitle')}</h2>
      {code !== null && <p className="font-mono text-28">{code}</p>}
      <p className="text-14 text-quiet">{t('school.codeHelp', { address: `${window.location.host}/join` })}</p>
      <div className="flex gap-3">
        <Button disabled={change.isPending} onClick={() => change.mutate(true)}>
          {t(code === null ? 'school.codeOn' : 'school.codeNew')}
        </Button>
        {code !== null && (
          <Button disabled={change.isPending} onClick={() => change.mutate(false)}>
            {t('school.codeOff')}
          </Button>
        )}
      </div>
    </section>
  );
}
