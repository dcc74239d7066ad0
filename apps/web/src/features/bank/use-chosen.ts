import { useState } from 'react';

/** Which of a list are chosen, by id. */
export function useChosen() {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  return {
    chosen,
    toggle: (id: string) =>
      setChosen(new Set(chosen.has(id) ? [...chosen].filter((one) => one !== id) : [...chosen, id])),
    clear: () => setChosen(new Set()),
  };
}
