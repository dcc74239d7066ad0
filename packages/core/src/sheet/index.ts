// One row of the sheet.
export { type AttemptOutline, isLate, type Need, needOf, needs, outlineOf } from './attempt-outline.ts';
export { needOfStudent, readSheetLine, type SheetLine, type SheetStudent } from './sheet-line.ts';
export {
  alignSheetRow,
  decodeSheetRow,
  encodeSheetRow,
  returnedAnswers,
  rowsReadableSince,
  type SheetRow,
  sheetRowOf,
  sheetStops,
} from './sheet-row.ts';
export { type ShownState, shownAnswer, shownStateOf } from './shown-state.ts';
export { countNeeds, type SheetOrder, sortSheet } from './sort-sheet.ts';
export { type StopMark, type StopMarkState, stopMarkOf, stopMarkStates } from './stop-mark.ts';
