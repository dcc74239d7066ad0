import { useRef, useState } from 'react';

type Action = (...given: never[]) => unknown;

/**
 * The same actions for as long as something is shown, whatever they do by now: what is told them is not drawn again
 * because of them.
 */
export function useStable<Actions extends { readonly [Name in keyof Actions]: Action }>(actions: Actions): Actions {
  const latest = useRef(actions);
  latest.current = actions;
  const [stable] = useState(
    () =>
      Object.fromEntries(
        Object.keys(actions).map((name) => [
          name,
          (...given: never[]) => latest.current[name as keyof Actions](...given),
        ]),
      ) as unknown as Actions,
  );
  return stable;
}
