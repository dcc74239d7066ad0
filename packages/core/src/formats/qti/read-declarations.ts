import { allNamed, findWithin, firstNamed, textOf, type XmlElement } from '../xml-tree.ts';

/** What an item says of one response. */
export interface ReadResponse {
  readonly cardinality: string;
  readonly baseType: string;
  readonly correct: readonly string[];
  readonly mapping: {
    readonly lower: number | null;
    readonly upper: number | null;
    readonly entries: readonly { readonly key: string; readonly value: number; readonly caseSensitive: boolean }[];
  } | null;
  readonly areas: readonly { readonly shape: string; readonly coords: string; readonly value: number }[];
}

const words = (text: string) => text.replace(/\s+/g, ' ').trim();
/** @returns null for what is no number */
export function readNumber(text: string | undefined): number | null {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? value : null;
}

export function readResponses(item: XmlElement): ReadonlyMap<string, ReadResponse> {
  return new Map(
    allNamed(item, 'qti-response-declaration').map((declaration) => [
      declaration.attributes.identifier ?? '',
      readResponse(declaration),
    ]),
  );
}

function readResponse(declaration: XmlElement): ReadResponse {
  const correct = firstNamed(declaration, 'qti-correct-response');
  const mapping = firstNamed(declaration, 'qti-mapping');
  const areas = firstNamed(declaration, 'qti-area-mapping');
  return {
    cardinality: declaration.attributes.cardinality ?? 'single',
    baseType: declaration.attributes['base-type'] ?? 'identifier',
    correct: correct ? allNamed(correct, 'qti-value').map((value) => words(textOf(value))) : [],
    mapping: mapping
      ? {
          lower: readNumber(mapping.attributes['lower-bound']),
          upper: readNumber(mapping.attributes['upper-bound']),
          entries: allNamed(mapping, 'qti-map-entry').map(({ attributes }) => ({
            key: words(attributes['map-key'] ?? ''),
            value: readNumber(attributes['mapped-value']) ?? 0,
            caseSensitive: attributes['case-sensitive'] === 'true',
          })),
        }
      : null,
    areas: areas
      ? allNamed(areas, 'qti-area-map-entry').map(({ attributes }) => ({
          shape: attributes.shape ?? '',
          coords: attributes.coords ?? '',
          value: readNumber(attributes['mapped-value']) ?? 0,
        }))
      : [],
  };
}

/** The most points an item can earn, as far as it says so itself. */
export function readPossible(item: XmlElement): number | null {
  const outcomes = allNamed(item, 'qti-outcome-declaration');
  const named = (identifier: string) => outcomes.find(({ attributes }) => attributes.identifier === identifier);
  const most = named('MAXSCORE');
  const told = most && firstNamed(most, 'qti-default-value');
  return (told ? readNumber(textOf(told)) : null) ?? readNumber(named('SCORE')?.attributes['normal-maximum']);
}

/** How responses are processed, as far as it matters here. */
export interface ReadProcessing {
  /** Right as a whole or not at all. */
  readonly isAllOrNothing: boolean;
  /** Rules that are not followed here. */
  readonly isOwn: boolean;
  readonly equal: XmlElement | null;
}

const followed: ReadonlySet<string> = new Set(
  'response-condition response-if response-else-if response-else set-outcome-value sum variable correct match map-response map-response-point base-value equal gte gt lte and is-null null'
    .split(' ')
    .map((name) => `qti-${name}`),
);

export function readProcessing(item: XmlElement): ReadProcessing {
  const processing = firstNamed(item, 'qti-response-processing');
  if (!processing) return { isAllOrNothing: false, isOwn: false, equal: null };
  const template = processing.attributes.template ?? '';
  const rules = findWithin(processing, () => true);
  const names = new Set(rules.map(({ name }) => name));
  const maps = names.has('qti-map-response') || names.has('qti-map-response-point') || /map_response/i.test(template);
  const isMatched = names.has('qti-match') || /match_correct/i.test(template);
  return {
    isAllOrNothing: isMatched && !maps,
    isOwn: rules.some(({ name }) => !followed.has(name)),
    equal: rules.find(({ name }) => name === 'qti-equal') ?? null,
  };
}

export interface ReadFeedback {
  readonly identifier: string;
  readonly content: XmlElement;
}

/** What is said after an item was answered. */
export function readFeedback(item: XmlElement): readonly ReadFeedback[] {
  return allNamed(item, 'qti-modal-feedback').map((feedback) => ({
    identifier: feedback.attributes.identifier ?? '',
    content: firstNamed(feedback, 'qti-content-body') ?? feedback,
  }));
}

export const interactionsIn = (body: XmlElement): readonly XmlElement[] =>
  findWithin(body, ({ name }) => /^qti-[\w-]+-interaction$/.test(name));
