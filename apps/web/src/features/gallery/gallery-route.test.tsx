// @vitest-environment jsdom

import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { everyKind } from '@semita/core/examples';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Component } from './gallery-route.tsx';

const here = import.meta.dirname;

test('the gallery shows every piece of the design system', () => {
  const source = readFileSync(path.join(here, 'gallery-route.tsx'), 'utf8');
  // Frames of whole pages, and what another piece opens.
  const elsewhere = ['error-page.tsx', 'page-frame.tsx', 'query-view.tsx', 'key-list.tsx'];
  const pieces = readdirSync(path.join(here, '../../ui')).filter(
    (name) => /^(?!.*\.test\.).*\.tsx$/.test(name) && !elsewhere.includes(name),
  );
  expect(pieces.length).toBeGreaterThan(10);
  expect(pieces.filter((name) => !source.includes(`ui/${name}`))).toEqual([]);
});

test('and every kind of question: to be answered, answered well and answered badly', async () => {
  vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener: () => undefined }));
  show(<Component />);
  for (const kind of Object.keys(everyKind)) {
    const section = within(screen.getByRole('region', { name: kind }));
    expect(section.getByRole('heading', { name: kind })).toBeTruthy();
  }
  const choice = within(screen.getByRole('region', { name: 'choice' }));
  expect(choice.getByRole('img', { name: /All points/ })).toBeTruthy();
  expect(choice.getByRole('img', { name: /No points/ })).toBeTruthy();
});
