import { useHotkeys } from 'react-hotkeys-hook';
import { isWriting } from './is-writing.ts';

interface Options {
  readonly enabled?: boolean;
  /** Where a press is meant for something else; by default wherever something is being written. */
  readonly keepsOut?: (event: KeyboardEvent) => boolean;
}

/**
 * Keys of a whole page, by what they write on the keyboard that is used: `j, k, l`, `shift+n`, `arrowleft, arrowright`.
 * A press that somebody has answered already is left alone.
 */
export function useKeys(
  keys: string,
  onPress: (event: KeyboardEvent) => void,
  { enabled = true, keepsOut = (event) => isWriting(event.target) }: Options = {},
): void {
  useHotkeys(keys, onPress, {
    enabled,
    useKey: true,
    preventDefault: true,
    // What is a field, and what only looks like one, is for `keepsOut` to say.
    enableOnFormTags: true,
    ignoreEventWhen: (event) => event.defaultPrevented || keepsOut(event),
  });
}

/** Ctrl or Cmd with Z, and with Y or Shift Z: the steps of one's work, also while writing. */
export function useHistoryKeys(history: { readonly undo: () => void; readonly redo: () => void }): void {
  const keepsOut = () => false;
  useKeys('mod+z', () => history.undo(), { keepsOut });
  useKeys('mod+y, mod+shift+z', () => history.redo(), { keepsOut });
}
