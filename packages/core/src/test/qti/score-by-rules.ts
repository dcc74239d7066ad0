import { allNamed, elementsIn, findWithin, firstNamed, textOf, type XmlElement } from '../../formats/xml-tree.ts';

/** A response as QTI has it: values of its base type, as text. Points as "x y", pairs as "a b". */
export type QtiValues = readonly string[];

type Value = readonly string[] | number | boolean | null;

/**
 * Scores responses by an item's own response processing, as the text of QTI ASI 3.0 (from memory) says: sections on
 * match, map-response, map-response-point, equal, sum, and response conditions. For tests: it knows nothing of questions.
 */
export function scoreByRules(item: XmlElement, responses: Readonly<Record<string, QtiValues>>): number {
  const declared = new Map(
    allNamed(item, 'qti-response-declaration').map((one) => [one.attributes.identifier ?? '', one]),
  );
  const outcomes = new Map<string, Value>([['SCORE', 0]]);
  const processing = firstNamed(item, 'qti-response-processing');
  for (const rule of processing ? elementsIn(processing) : []) run(rule);
  return outcomes.get('SCORE') as number;

  function run(rule: XmlElement): void {
    if (rule.name === 'qti-set-outcome-value') {
      outcomes.set(rule.attributes.identifier ?? '', evaluate(elementsIn(rule)[0] as XmlElement));
      return;
    }
    if (rule.name !== 'qti-response-condition') throw new Error(`Rule not known: ${rule.name}`);
    for (const branch of elementsIn(rule)) {
      const [test, ...rest] = elementsIn(branch);
      const isElse = branch.name === 'qti-response-else';
      if (!isElse && evaluate(test as XmlElement) !== true) continue;
      for (const inner of isElse ? elementsIn(branch) : rest) run(inner);
      return;
    }
  }

  function evaluate(one: XmlElement): Value {
    const identifier = one.attributes.identifier ?? '';
    const parts = () => elementsIn(one).map(evaluate);
    const numbers = () => parts().map(toNumber);
    switch (one.name) {
      case 'qti-variable':
        return outcomes.has(identifier) ? (outcomes.get(identifier) ?? null) : (responses[identifier] ?? []);
      case 'qti-correct':
        return correctOf(identifier);
      case 'qti-base-value':
        return one.attributes['base-type'] === 'float' ? Number(textOf(one)) : [textOf(one)];
      case 'qti-sum':
        return numbers().reduce((sum, value) => sum + value, 0);
      case 'qti-match':
        return isMatch(identifierOf(one), parts() as [Value, Value]);
      case 'qti-and':
        return parts().every((part) => part === true);
      case 'qti-gte':
        return compare(numbers(), (a, b) => a >= b);
      case 'qti-gt':
        return compare(numbers(), (a, b) => a > b);
      case 'qti-lte':
        return compare(numbers(), (a, b) => a <= b);
      case 'qti-equal':
        return isEqual(one, numbers());
      case 'qti-map-response':
        return mapResponse(identifier);
      case 'qti-map-response-point':
        return mapPoints(identifier);
      default:
        throw new Error(`Expression not known: ${one.name}`);
    }
  }

  function correctOf(identifier: string): readonly string[] {
    const correct = firstNamed(declared.get(identifier) as XmlElement, 'qti-correct-response');
    return correct ? allNamed(correct, 'qti-value').map(textOf) : [];
  }

  function identifierOf(match: XmlElement): string {
    return elementsIn(match).find(({ name }) => name === 'qti-variable')?.attributes.identifier ?? '';
  }

  /** Ordered values match in their order, others as sets. */
  function isMatch(identifier: string, [a, b]: [Value, Value]): boolean {
    const isOrdered = declared.get(identifier)?.attributes.cardinality === 'ordered';
    const of = (value: Value) => (isOrdered ? [...(value as QtiValues)] : [...(value as QtiValues)].sort());
    return JSON.stringify(of(a)) === JSON.stringify(of(b));
  }

  function mapResponse(identifier: string): number {
    const declaration = declared.get(identifier) as XmlElement;
    const mapping = firstNamed(declaration, 'qti-mapping') as XmlElement;
    const isPair = declaration.attributes['base-type'] === 'pair';
    const entryOf = (value: string) =>
      allNamed(mapping, 'qti-map-entry').find(({ attributes }) => {
        const fold = (text: string) => (attributes['case-sensitive'] === 'true' ? text : text.toLowerCase());
        const key = attributes['map-key'] ?? '';
        if (isPair && key === value.split(' ').reverse().join(' ')) return true;
        return declaration.attributes['base-type'] === 'string' ? fold(key) === fold(value) : key === value;
      });
    const sum = [...new Set(responses[identifier] ?? [])].reduce(
      (all, value) =>
        all + Number(entryOf(value)?.attributes['mapped-value'] ?? mapping.attributes['default-value'] ?? 0),
      0,
    );
    return bounded(sum, mapping);
  }

  /** Each area is mapped once, however many points are in it; what is in none has the default value. */
  function mapPoints(identifier: string): number {
    const mapping = firstNamed(declared.get(identifier) as XmlElement, 'qti-area-mapping') as XmlElement;
    const met = new Set<XmlElement>();
    let sum = 0;
    for (const value of responses[identifier] ?? []) {
      const [x = 0, y = 0] = value.split(' ').map(Number);
      const areas = allNamed(mapping, 'qti-area-map-entry').filter(({ attributes }) =>
        isInside(attributes.shape ?? '', (attributes.coords ?? '').split(',').map(Number), x, y),
      );
      if (areas.length === 0) sum += Number(mapping.attributes['default-value'] ?? 0);
      for (const area of areas) {
        if (!met.has(area)) sum += Number(area.attributes['mapped-value']);
        met.add(area);
      }
    }
    return bounded(sum, mapping);
  }
}

function bounded(sum: number, { attributes }: XmlElement): number {
  const lower = attributes['lower-bound'] === undefined ? Number.NEGATIVE_INFINITY : Number(attributes['lower-bound']);
  const upper = attributes['upper-bound'] === undefined ? Number.POSITIVE_INFINITY : Number(attributes['upper-bound']);
  return Math.max(lower, Math.min(upper, sum));
}

function isInside(shape: string, coords: readonly number[], x: number, y: number): boolean {
  const [a = 0, b = 0, c = 0, d = 0] = coords;
  if (shape === 'rect') return x >= a && x <= c && y >= b && y <= d;
  if (shape === 'ellipse') return ((x - a) / c) ** 2 + ((y - b) / d) ** 2 <= 1;
  throw new Error(`Shape not known: ${shape}`);
}

function toNumber(value: Value): number {
  if (typeof value === 'number') return value;
  return Array.isArray(value) && value.length === 1 ? Number(value[0]) : Number.NaN;
}

function compare([a = Number.NaN, b = Number.NaN]: readonly number[], holds: (a: number, b: number) => boolean) {
  return holds(a, b);
}

/** The second is what is expected; relative tolerances are in percent of it. */
function isEqual({ attributes }: XmlElement, [given = Number.NaN, expected = 0]: readonly number[]): boolean {
  const [below = 0, above = below] = (attributes.tolerance ?? '0').split(' ').map(Number);
  const scale = attributes['tolerance-mode'] === 'relative' ? Math.abs(expected) / 100 : 1;
  if (attributes['tolerance-mode'] === 'exact') return given === expected;
  const slack = 1e-9 * Math.max(1, Math.abs(expected));
  return given >= expected - below * scale - slack && given <= expected + above * scale + slack;
}

export const namesIn = (item: XmlElement) => new Set(findWithin(item, () => true).map(({ name }) => name));
