import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { CodeSquare } from '../../ui/code-square.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { type ClassView, useClassChange } from './queries.ts';
import './words.ts';

/** Students come in by themselves: by a code, a link, or a square. */
export function JoinPanel({ of }: { readonly of: ClassView }) {
  const { id: classId, name, joining, joinCode } = of;
  const [isLarge, setIsLarge] = useState(false);
  const change = useClassChange((body: Pick<ClassView, 'joining'>) =>
    call('changeClass', { params: { classId }, body }),
  );
  const renew = useClassChange(
    () => call('renewJoinCode', { params: { classId } }),
    () => toast(t('classes.joinRenewed')),
  );
  const link = `${window.location.origin}/join/${joinCode?.replace('-', '')}`;
  const isOn = joining !== 'off' && joinCode !== null;
  const square = (
    <CodeSquare text={link} label={t('classes.joinSquare', { name })} className="size-36 rounded-control" />
  );
  const help = t('classes.joinHelp', { address: `${window.location.host}/join` });
  return (
    <section className="grid content-start gap-4 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('classes.joinTitle')}</h2>
      <Field label={t('classes.joinWho')}>
        {(ids) => (
          <Select
            {...ids}
            className="w-56"
            value={joining}
            disabled={change.isPending}
            onChange={(event) => change.mutate({ joining: event.target.value as ClassView['joining'] })}
          >
            <option value="off">{t('classes.joinOff')}</option>
            <option value="asks">{t('classes.joinAsks')}</option>
            <option value="open">{t('classes.joinOpen')}</option>
          </Select>
        )}
      </Field>
      {isOn ? (
        <div className="flex flex-wrap items-center gap-5">
          {square}
          <div className="grid min-w-52 grow basis-0 gap-3">
            <p className="font-mono text-28">{joinCode}</p>
            <p className="text-14 text-quiet">{help}</p>
            <div className="flex flex-wrap gap-2">
              <Button size="small" onClick={() => setIsLarge(true)}>
                {t('classes.joinPrint')}
              </Button>
              <Button
                size="small"
                onClick={() => void navigator.clipboard.writeText(link).then(() => toast(t('classes.joinCopied')))}
              >
                {t('classes.joinCopy')}
              </Button>
              <Button size="small" disabled={renew.isPending} onClick={() => renew.mutate(undefined)}>
                {t('classes.joinRenew')}
              </Button>
            </div>
          </div>
        </div>
      ) : (
        <p className="text-14 text-quiet">{t('classes.joinOffHelp')}</p>
      )}
      {isLarge && (
        <Dialog open keepsAtOnce place="wide" onOpenChange={setIsLarge} title={t('classes.joinBig', { name })}>
          <div className="grid justify-items-center gap-4 py-4 text-center">
            <CodeSquare text={link} label={t('classes.joinSquare', { name })} className="size-[min(50dvh,22rem)]" />
            <p className="font-mono text-[clamp(2.5rem,8vw,5rem)] leading-none">{joinCode}</p>
            <p className="text-22">{window.location.host}/join</p>
          </div>
        </Dialog>
      )}
    </section>
  );
}
