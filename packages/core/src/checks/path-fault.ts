export const pathFaultCodes = [
  'partUnreachable',
  'wayNowhere',
  'noWayOut',
  'backNowhere',
  'tooDeep',
  'freeWithTurns',
  'tileGoesOn',
  'ruleAnswerGone',
] as const;
export type PathFaultCode = (typeof pathFaultCodes)[number];

export const isPathFault = (code: string): code is PathFaultCode =>
  (pathFaultCodes as readonly string[]).includes(code);
