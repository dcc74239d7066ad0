// @vitest-environment jsdom
import type { NoticeList } from '@semita/core/contract';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as MailOff } from './mail-off-route.tsx';
import { Component as NoticesRoute } from './notices-route.tsx';

const item = (id: string, more: Partial<NoticeList['items'][number]> = {}): NoticeList['items'][number] => ({
  ...{ id, kind: 'new', assignmentId: 'a', title: 'Bridges', about: null, at: Date.now() - 60_000, isRead: false },
  ...more,
});
const list = (more: Partial<NoticeList> = {}): NoticeList => ({
  ...{ unread: 1, items: [item('one'), item('two', { kind: 'marked', isRead: true })] },
  settings: { mail: 'none', address: null, isConfirmed: false },
  ...more,
});

test('a notice leads to what it is about, and is read by that; all can be read at once', async () => {
  const read = vi.fn();
  standIn({
    listNotices: () => list(),
    readNotices: ({ body }) => {
      read(body.ids);
      return undefined;
    },
  });
  const { user } = show(<NoticesRoute />);
  const [first, second] = await screen.findAllByRole('link', { name: 'Bridges' });
  expect([first?.getAttribute('href'), second?.getAttribute('href')]).toEqual(['/walk/a', '/feedback']);
  await user.click(first as HTMLElement);
  await vi.waitFor(() => expect(read).toHaveBeenLastCalledWith(['one']));
  await user.click(screen.getByRole('button', { name: 'Mark all as read' }));
  await vi.waitFor(() => expect(read).toHaveBeenLastCalledWith(undefined));
});

test('mails are asked for, with an address that is asked first', async () => {
  const saved = vi.fn();
  let settings: NoticeList['settings'] = { mail: 'none', address: null, isConfirmed: false };
  standIn({
    listNotices: () => list({ items: [], unread: 0, settings }),
    changeNoticeSettings: ({ body }) => {
      saved(body);
      settings = { ...body, isConfirmed: false };
      return undefined;
    },
  });
  const { user } = show(<NoticesRoute />);
  expect(await screen.findByText('No notices yet')).toBeTruthy();
  await user.selectOptions(screen.getByLabelText('When'), 'Once a day');
  await user.type(screen.getByLabelText('To this address'), 'elin@home.example');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await vi.waitFor(() => expect(saved).toHaveBeenCalledWith({ mail: 'daily', address: 'elin@home.example' }));
  expect(await screen.findByText(/A mail is on its way to elin@home.example/)).toBeTruthy();
});

test('one press ends the mails, and a link that leads nowhere says so', async () => {
  window.location.hash = '#stop';
  let works = false;
  standIn({
    stopMails: ({ params }) => {
      if (!works) throw new Refusal('notFound');
      expect(params.stopToken).toBe('stop');
      return undefined;
    },
  });
  const { user } = show(<MailOff />);
  await user.click(screen.getByRole('button', { name: 'Send no more mails' }));
  expect(await screen.findByText('This link leads nowhere any more.')).toBeTruthy();
  works = true;
  await user.click(screen.getByRole('button', { name: 'Send no more mails' }));
  expect(await screen.findByText('No more mails come.')).toBeTruthy();
  window.location.hash = '';
});
