import { useEffect, useRef, useState } from 'react';
import type { FinishedRecording } from './finish-recording.ts';
import { type OpenSource, openSource, type RecordingSource, type SourceRefusal, SourceRefused } from './open-source.ts';

export type RecorderState =
  | { readonly phase: 'closed'; readonly refusal: SourceRefusal | null }
  | { readonly phase: 'opening' }
  /** Open and not recording yet: the level can be looked at. */
  | { readonly phase: 'open' | 'recording'; readonly source: OpenSource; readonly sinceMs: number }
  | { readonly phase: 'finishing' }
  | { readonly phase: 'recorded'; readonly recorded: FinishedRecording };

/** Opens, records and finishes; whatever is open is closed when the page goes on. */
export function useRecorder() {
  const [state, setState] = useState<RecorderState>({ phase: 'closed', refusal: null });
  const latest = useRef(state);
  latest.current = state;
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
      if ('source' in latest.current) latest.current.source.close();
    };
  }, []);

  const stop = async () => {
    if (latest.current.phase !== 'recording') return;
    const { source } = latest.current;
    latest.current = { phase: 'finishing' };
    setState(latest.current);
    try {
      const raw = await source.stop();
      const { finishRecording } = await import('./finish-recording.ts');
      setState({ phase: 'recorded', recorded: await finishRecording(raw, null) });
    } catch {
      // Whatever the browser made that cannot be read is told as one thing.
      setState({ phase: 'closed', refusal: 'notPossible' });
    }
  };

  return {
    state,
    open: async (source: RecordingSource, microphoneId: string | null) => {
      if ('source' in latest.current) latest.current.source.close();
      setState({ phase: 'opening' });
      try {
        const opened = await openSource(source, microphoneId, () => void stop());
        // The question for the microphone can be answered after the page has gone on: nothing may listen then.
        if (isGone.current) opened.close();
        else setState({ phase: 'open', source: opened, sinceMs: performance.now() });
      } catch (error) {
        if (!(error instanceof SourceRefused)) throw error;
        setState({ phase: 'closed', refusal: error.reason });
      }
    },
    start: () => {
      if (state.phase !== 'open') return;
      state.source.start();
      setState({ ...state, phase: 'recording', sinceMs: performance.now() });
    },
    stop,
    close: () => {
      if ('source' in latest.current) latest.current.source.close();
      setState({ phase: 'closed', refusal: null });
    },
  };
}
