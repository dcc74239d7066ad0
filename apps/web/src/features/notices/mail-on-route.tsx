import { call } from '../../api/client.ts';
import { t } from '../../words/words.ts';
import { MailLinkPage } from './mail-link-page.tsx';
import './words.ts';

export const Component = () => (
  <MailLinkPage
    title={t('notices.onTitle')}
    help={t('notices.onHelp')}
    verb={t('notices.on')}
    done={t('notices.isOn')}
    act={(token) => call('confirmAddress', { body: { token } })}
  />
);
