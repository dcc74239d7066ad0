import { call } from '../../api/client.ts';
import { t } from '../../words/words.ts';
import { MailLinkPage } from './mail-link-page.tsx';
import './words.ts';

export const Component = () => (
  <MailLinkPage
    title={t('notices.offTitle')}
    help={t('notices.offHelp')}
    verb={t('notices.off')}
    done={t('notices.isOff')}
    act={(stopToken) => call('stopMails', { params: { stopToken } })}
  />
);
