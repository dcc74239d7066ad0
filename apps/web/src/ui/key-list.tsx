import { t } from '../words/words.ts';
import { Dialog } from './dialog.tsx';

export interface KeyGroup {
  readonly title: string;
  /** What is pressed, and what it does. */
  readonly keys: readonly (readonly [pressed: string, does: string])[];
}

interface Props {
  readonly groups: readonly KeyGroup[];
  readonly onClose: () => void;
}

/** What can be pressed in a place, and what it does. */
export function KeyList({ groups, onClose }: Props) {
  return (
    <Dialog open onOpenChange={onClose} title={t('keys.title')}>
      <div className="grid gap-5">
        {groups.map((group) => (
          <section key={group.title} className="grid gap-2">
            <h3 className="text-16">{group.title}</h3>
            <dl className="grid grid-cols-[9rem_1fr] gap-y-1.5 text-14">
              {group.keys.map(([pressed, does]) => (
                <div key={pressed} className="contents">
                  <dt className="font-mono text-13 text-quiet">{pressed}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
