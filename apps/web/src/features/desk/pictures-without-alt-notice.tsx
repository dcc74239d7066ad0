import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import '../part-details/words.ts';
import './words.ts';

interface Props {
  readonly count: number;
  readonly onGo: () => void;
  readonly onAccept: () => void;
}

/** Pictures have no words for those who cannot see them: asks whether that is meant. */
export function PicturesWithoutAltNotice({ count, onGo, onAccept }: Props) {
  if (count === 0) return null;
  return (
    <div className="p-3">
      <Notice tone="attention" role="alert" title={t('desk.picturesWithoutAlt', { count })}>
        <p>{t('desk.picturesWithoutAltHelp')}</p>
        <div className="flex gap-2">
          <Button look="main" size="small" onClick={onGo}>
            {t('desk.picturesGo')}
          </Button>
          <Button size="small" onClick={onAccept}>
            {t('desk.picturesAccept')}
          </Button>
        </div>
      </Notice>
    </div>
  );
}
