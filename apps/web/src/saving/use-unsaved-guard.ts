import { useEffect } from 'react';

interface Unsaved {
  readonly hasUnsaved: () => boolean;
  readonly flush: () => Promise<unknown>;
}

/** Nobody closes the page on what is not saved yet without being asked; meanwhile it is saved. */
export function useUnsavedGuard({ hasUnsaved, flush }: Unsaved): void {
  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (!hasUnsaved()) return;
      void flush();
      event.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => window.removeEventListener('beforeunload', onLeave);
  }, [hasUnsaved, flush]);
}
