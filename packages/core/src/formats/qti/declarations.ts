import { element, type XmlElement } from '../xml-tree.ts';

/** Identifiers in QTI begin with a letter or an underscore (the simple type `identifier`). */
export const toIdentifier = (id: string): string => (/^[A-Za-z_]/.test(id) ? id : `_${id}`);
export const fromIdentifier = (identifier: string): string => identifier.replace(/^_(?=\d)/, '');

/** The response of an item with one interaction; gaps count on from it. */
export const soleResponse = 'RESPONSE';

export type BaseType = 'identifier' | 'string' | 'float' | 'pair' | 'directedPair' | 'point' | 'file';
export type Cardinality = 'single' | 'multiple' | 'ordered';

export interface MapEntry {
  readonly key: string;
  readonly value: number;
  readonly caseSensitive?: boolean;
}

interface Declaration {
  readonly correct?: readonly string[];
  readonly mapping?: {
    readonly lower?: number | undefined;
    readonly upper?: number | undefined;
    readonly entries: readonly MapEntry[];
  };
  /** Areas of a picture, what a point in each is worth, and as much below nought one outside of all. */
  readonly areas?: readonly { readonly shape: string; readonly coords: string; readonly value: number }[];
}

export function declareResponse(
  identifier: string,
  cardinality: Cardinality,
  baseType: BaseType,
  { correct = [], mapping, areas }: Declaration = {},
): XmlElement {
  return element(
    'qti-response-declaration',
    { identifier, cardinality, 'base-type': baseType },
    correct.length > 0 &&
      element(
        'qti-correct-response',
        {},
        correct.map((value) => element('qti-value', {}, value)),
      ),
    mapping &&
      mapping.entries.length > 0 &&
      element(
        'qti-mapping',
        { 'lower-bound': mapping.lower, 'upper-bound': mapping.upper, 'default-value': 0 },
        mapping.entries.map(({ key, value, caseSensitive }) =>
          element('qti-map-entry', { 'map-key': key, 'mapped-value': tidy(value), 'case-sensitive': caseSensitive }),
        ),
      ),
    areas &&
      areas.length > 0 &&
      element(
        'qti-area-mapping',
        { 'lower-bound': 0, 'default-value': tidy(-(areas[0]?.value ?? 0)) },
        areas.map(({ shape, coords, value }) =>
          element('qti-area-map-entry', { shape, coords, 'mapped-value': tidy(value) }),
        ),
      ),
  );
}

/** Points are told to the millionth, so that thirds add up to what they are thirds of. */
export const tidy = (value: number): number => Number(value.toFixed(6));

/** What a response adds to the score. */
export type ScoreTerm =
  | { readonly kind: 'map'; readonly response: string }
  | { readonly kind: 'mapPoint'; readonly response: string }
  | { readonly kind: 'match'; readonly response: string; readonly points: number }
  | { readonly kind: 'when'; readonly test: XmlElement; readonly points: number };

export const variable = (identifier: string) => element('qti-variable', { identifier });
const floatValue = (value: number) => element('qti-base-value', { 'base-type': 'float' }, String(tidy(value)));
const identifierValue = (value: string) => element('qti-base-value', { 'base-type': 'identifier' }, value);
const setOutcome = (identifier: string, value: XmlElement) => element('qti-set-outcome-value', { identifier }, value);
const addToScore = (value: XmlElement) => setOutcome('SCORE', element('qti-sum', {}, variable('SCORE'), value));

/** One condition with its consequence. */
function when(test: XmlElement, then: XmlElement): XmlElement {
  return element('qti-response-condition', {}, element('qti-response-if', {}, test, then));
}

function scoreRule(term: ScoreTerm): XmlElement {
  if (term.kind === 'map') return addToScore(element('qti-map-response', { identifier: term.response }));
  if (term.kind === 'mapPoint') return addToScore(element('qti-map-response-point', { identifier: term.response }));
  const test =
    term.kind === 'match'
      ? element('qti-match', {}, variable(term.response), element('qti-correct', { identifier: term.response }))
      : term.test;
  return when(test, addToScore(floatValue(term.points)));
}

export interface Processing {
  readonly terms: readonly ScoreTerm[];
  readonly possible: number;
  /** Where each option has its own feedback. */
  readonly saysByOption: boolean;
  /** Where something is said by what came of the answer. */
  readonly saysByOutcome: boolean;
}

/** Response processing: the score first, then what is said to it. Absent where a person marks. */
export function processResponses({ terms, possible, saysByOption, saysByOutcome }: Processing): XmlElement | null {
  const outcome = (identifier: string) => setOutcome('OUTCOME', identifierValue(identifier));
  const rules = [
    ...terms.map(scoreRule),
    ...(saysByOption ? [setOutcome('FEEDBACK', variable(soleResponse))] : []),
    ...(saysByOutcome
      ? [
          element(
            'qti-response-condition',
            {},
            element(
              'qti-response-if',
              {},
              element('qti-gte', {}, variable('SCORE'), floatValue(possible)),
              outcome('correct'),
            ),
            element(
              'qti-response-else-if',
              {},
              element('qti-gt', {}, variable('SCORE'), floatValue(0)),
              outcome('partly'),
            ),
            element('qti-response-else', {}, outcome('wrong')),
          ),
        ]
      : []),
  ];
  return rules.length === 0 ? null : element('qti-response-processing', {}, ...rules);
}
