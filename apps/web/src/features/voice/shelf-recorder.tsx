import { useQueryClient } from '@tanstack/react-query';
import type { ComponentProps } from 'react';
import { materialsOptions } from '../materials/queries.ts';
import { bringInQuietly } from '../materials/upload.ts';
import { type RecordedFacts, Recorder } from './recorder.tsx';

/** A recording that stands on the shelf. */
export interface KeptRecording extends RecordedFacts {
  readonly materialId: string;
}

interface Props extends Omit<ComponentProps<typeof Recorder>, 'keep'> {
  readonly onKept: (recording: KeptRecording) => void;
}

/** A recorder of a teacher: what is recorded becomes a material. */
export function ShelfRecorder({ onKept, ...recorder }: Props) {
  const queryClient = useQueryClient();
  return (
    <Recorder
      {...recorder}
      keep={async (file, facts) => {
        const materialId = await bringInQuietly(file);
        await queryClient.invalidateQueries(materialsOptions());
        onKept({ ...facts, materialId });
      }}
    />
  );
}
