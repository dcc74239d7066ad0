/** Words of a stem without the marks of CommonMark and formulas: for lists, and to be read aloud. */
export function plainWords(text: string): string {
  return text
    .replace(/\\(?:mathrm|text|mathbf|mathit)\{([^{}]*)\}/gu, '$1')
    .replace(/\\frac\{([^{}]*)\}\{([^{}]*)\}/gu, '$1 / $2')
    .replace(/\\[,;:! ]/gu, ' ')
    .replace(/\\(?:cdot|times)\b/gu, '×')
    .replace(/\\div\b/gu, '÷')
    .replace(/!?\[([^[\]]*)\]\([^()]*\)/gu, '$1')
    .replace(/[*`$]|(?<=^|\s)[#>]+\s|(?<!\w)_|_(?!\w)/gmu, '')
    .trim();
}
