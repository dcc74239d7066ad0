/** Languages whose ways of writing numbers the product knows to offer. */
export const classLocales = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pt', 'sv', 'da', 'nb', 'fi', 'pl', 'cs'] as const;
