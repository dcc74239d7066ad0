// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { clearUpload } from '../materials/upload.ts';
import { BringInPanel } from './bring-in-panel.tsx';

afterEach(clearUpload);

const open = () => show(<BringInPanel materials={[]} onMakeLesson={() => undefined} />);
const address = () => screen.getByRole<HTMLInputElement>('textbox', { name: /address/i });

test('a file is fetched from its address', async () => {
  const fetched = vi.fn();
  standIn({
    fetchMaterial: ({ body }) => {
      fetched(body.address);
      return { id: 'film' };
    },
    listMaterials: () => [],
  });
  const { user } = open();
  await user.type(address(), ' https://films.example/arch.mp4{Enter}');
  await vi.waitFor(() => expect(fetched).toHaveBeenCalledWith('https://films.example/arch.mp4'), { timeout: 20_000 });
});

test('what cannot be fetched is said beside the address, which stays', async () => {
  standIn({
    fetchMaterial: () => {
      throw new Refusal('diskFull');
    },
  });
  const { user } = open();
  await user.type(address(), 'https://films.example/arch.mp4{Enter}');
  expect((await screen.findAllByText(/no room left/)).length).toBeGreaterThan(0);
  expect(address().value).toBe('https://films.example/arch.mp4');
});
