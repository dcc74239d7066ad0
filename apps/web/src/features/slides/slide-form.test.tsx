// @vitest-environment jsdom
import type { MadeSlide } from '@semita/core/deck';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { emptySlide } from './new-slide.ts';
import { SlideForm } from './slide-form.tsx';

function open(first: MadeSlide) {
  let made = first;
  function Page() {
    const [slide, setSlide] = useState(first);
    made = slide;
    return <SlideForm slide={slide} onChange={setSlide} />;
  }
  standIn({ listMaterials: () => [] });
  return { ...show(<Page />), made: () => made };
}

test('words, notes and colour are written where they belong, and nothing else changes', async () => {
  const first = emptySlide();
  const { user, made } = open(first);
  await user.type(screen.getByLabelText('Heading'), 'Arches');
  await user.type(screen.getByLabelText(/^Text/), 'They push.');
  await user.type(screen.getByLabelText(/^Notes/), 'Wait here.');
  expect(made()).toEqual({ ...first, heading: 'Arches', text: 'They push.', notes: 'Wait here.' });
});

test('four pictures are enough: no fifth is offered', () => {
  const pictures = ['a', 'b', 'c', 'd'].map((materialId) => ({ materialId, alt: materialId }));
  open({ ...emptySlide(), pictures });
  expect(screen.getAllByRole('textbox', { name: 'What it shows' })).toHaveLength(4);
  expect(screen.queryAllByRole('button', { name: 'Picture' })).toEqual([]);
});
