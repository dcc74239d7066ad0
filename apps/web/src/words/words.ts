import i18next, { type ParseKeys, type TOptions } from 'i18next';
import type { enEditor } from './en-editor.ts';
import type { enPackages } from './en-packages.ts';
import type { enPath } from './en-path.ts';
import type { enRecorder } from './en-recorder.ts';
import { enShared } from './en-shared.ts';
import type { enStudent } from './en-student.ts';
import type { enTeacher } from './en-teacher.ts';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'shared';
    resources: {
      shared: typeof enShared &
        typeof enStudent &
        typeof enTeacher &
        typeof enRecorder &
        typeof enEditor &
        typeof enPath &
        typeof enPackages;
    };
  }
}

void i18next.init({
  lng: 'en',
  fallbackLng: 'en',
  defaultNS: 'shared',
  resources: { en: { shared: enShared } },
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

/** Adds the words of one side of the house; called by its routes, so that students do not load teachers' words. */
export function addWords(words: object): void {
  i18next.addResourceBundle('en', 'shared', words, true, true);
}

/** Words behind a key that is put together at run time, such as an error code; null when there are none. */
export function findWords(key: string, values?: TOptions): string | null {
  return i18next.exists(key) ? translate(key, values) : null;
}
