import i18next, { type ParseKeys, type TOptions } from 'i18next';
import { enShared } from './en-shared.ts';

/** The words of each room, which its `words.ts` adds when it is loaded: types here, so that every key is checked. */
export interface Catalogues {
  readonly shared: typeof enShared;
}

type All<U> = (U extends unknown ? (one: U) => void : never) extends (all: infer Whole) => void ? Whole : never;

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'shared';
    resources: { shared: All<Catalogues[keyof Catalogues]> };
  }
}

void i18next.init({
  lng: 'en',
  fallbackLng: 'en',
  defaultNS: 'shared',
  // A copy: the library writes what rooms add into what it is given.
  resources: { en: { shared: structuredClone(enShared) } },
  initAsync: false,
  // The console is for our own words.
  showSupportNotice: false,
  // React escapes; doing it twice would show "&amp;".
  interpolation: { escapeValue: false },
});

// The library's own type asks for each key's values; a check that costs seconds with every compile.
const translate = i18next.t as unknown as (key: string, values?: TOptions) => string;

export type WordKey = ParseKeys;

/** The words behind a key, in the language of the page. */
export function t(key: WordKey, values?: TOptions): string {
  return translate(key, values);
}

/** Adds the words of a room; called by its own `words.ts`, so that nobody loads the words of rooms they are not in. */
export function addWords(words: object): void {
  i18next.addResourceBundle('en', 'shared', words, true, true);
}

/** Words behind a key that is put together at run time, such as an error code; null when there are none. */
export function findWords(key: string, values?: TOptions): string | null {
  return i18next.exists(key) ? translate(key, values) : null;
}
