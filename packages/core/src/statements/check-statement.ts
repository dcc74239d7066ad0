/** What is wrong with a statement, and where: `result.score.scaled: outOfRange`. */
export interface StatementFault {
  readonly at: string;
  readonly fault:
    | 'missing'
    | 'unknown'
    | 'null'
    | 'notUuid'
    | 'notIri'
    | 'notTime'
    | 'notDuration'
    | 'outOfRange'
    | 'wrongType'
    | 'oneIdentifier';
}

type Check = (value: unknown, at: string) => StatementFault[];
type Fields = Readonly<Record<string, Check>>;

const fault = (at: string, what: StatementFault['fault']): StatementFault[] => [{ at, fault: what }];
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Only fields that are named, none of them null, and those that must be there. */
const object =
  (fields: Fields, required: readonly string[] = []): Check =>
  (value, at) => {
    if (!isRecord(value)) return fault(at, 'wrongType');
    const path = (name: string) => (at === '' ? name : `${at}.${name}`);
    return [
      ...required.flatMap((name) => (name in value ? [] : fault(path(name), 'missing'))),
      ...Object.entries(value).flatMap(([name, inner]) => {
        const check = fields[name];
        if (!check) return fault(path(name), 'unknown');
        return inner === null ? fault(path(name), 'null') : check(inner, path(name));
      }),
    ];
  };
const listOf =
  (check: Check): Check =>
  (value, at) =>
    Array.isArray(value) ? value.flatMap((one, index) => check(one, `${at}[${index}]`)) : fault(at, 'wrongType');
const matching =
  (pattern: RegExp, what: StatementFault['fault']): Check =>
  (value, at) =>
    typeof value === 'string' && pattern.test(value) ? [] : fault(at, what);
const typed =
  (type: 'string' | 'boolean'): Check =>
  (value, at) =>
    typeof value === type ? [] : fault(at, 'wrongType');
const either =
  (...values: readonly string[]): Check =>
  (value, at) =>
    values.includes(value as string) ? [] : fault(at, 'wrongType');

const text = typed('string');
const number: Check = (value, at) =>
  typeof value === 'number' && Number.isFinite(value) ? [] : fault(at, 'wrongType');
const uuid = matching(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i, 'notUuid');
const iri = matching(/^[a-z][a-z0-9+.-]*:[^\s<>"{}|\\^`]+$/i, 'notIri');
const time = matching(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(?:\.\d{1,9})?(?:Z|[+-]\d{2}:?\d{2})$/, 'notTime');
const duration = matching(
  /^P(?=.)(?:\d+Y)?(?:\d+M)?(?:\d+W)?(?:\d+D)?(?:T(?=\d)(?:\d+H)?(?:\d+M)?(?:\d+(?:\.\d+)?S)?)?$/,
  'notDuration',
);

/** Language tags of BCP 47, as far as their form goes. */
const languageMap: Check = (value, at) => {
  if (!isRecord(value)) return fault(at, 'wrongType');
  return Object.entries(value).flatMap(([tag, words]) =>
    /^[a-z]{2,8}(?:-[a-z0-9]{1,8})*$/i.test(tag) && typeof words === 'string' ? [] : fault(`${at}.${tag}`, 'wrongType'),
  );
};

/** Names are IRIs; anything stands under them, null as well. */
const extensions: Check = (value, at) =>
  isRecord(value) ? Object.keys(value).flatMap((name) => iri(name, `${at}.${name}`)) : fault(at, 'wrongType');

const account = object({ homePage: iri, name: text }, ['homePage', 'name']);
const identifiers = ['mbox', 'mbox_sha1sum', 'openid', 'account'];
const agent: Check = (value, at) => {
  const fields = {
    ...{ objectType: either('Agent'), name: text, mbox: matching(/^mailto:[^\s@]+@[^\s@]+$/, 'notIri') },
    ...{ mbox_sha1sum: matching(/^[0-9a-f]{40}$/i, 'wrongType'), openid: iri, account },
  };
  const count = isRecord(value) ? identifiers.filter((name) => name in value).length : 0;
  return [...object(fields)(value, at), ...(count === 1 ? [] : fault(at, 'oneIdentifier'))];
};

const components = listOf(object({ id: text, description: languageMap }, ['id']));
const definition = object({
  ...{ name: languageMap, description: languageMap, type: iri, moreInfo: iri, extensions },
  interactionType: either(
    ...['true-false', 'choice', 'fill-in', 'long-fill-in', 'matching', 'performance', 'sequencing', 'likert'],
    ...['numeric', 'other'],
  ),
  correctResponsesPattern: listOf(text),
  ...{ choices: components, scale: components, source: components, target: components, steps: components },
});
const activity = object({ objectType: either('Activity'), id: iri, definition }, ['id']);
const someActivities: Check = (value, at) => (Array.isArray(value) ? listOf(activity)(value, at) : activity(value, at));

const score: Check = (value, at) => {
  const faults = object({ scaled: number, raw: number, min: number, max: number })(value, at);
  if (faults.length > 0 || !isRecord(value)) return faults;
  const { scaled = 0, raw, min, max } = value as Record<string, number | undefined>;
  return [
    ...(Math.abs(scaled) <= 1 ? [] : fault(`${at}.scaled`, 'outOfRange')),
    ...((raw ?? 0) >= (min ?? Number.NEGATIVE_INFINITY) || raw === undefined ? [] : fault(`${at}.raw`, 'outOfRange')),
    ...((raw ?? 0) <= (max ?? Number.POSITIVE_INFINITY) || raw === undefined ? [] : fault(`${at}.raw`, 'outOfRange')),
    ...(min === undefined || max === undefined || min < max ? [] : fault(`${at}.max`, 'outOfRange')),
  ];
};

const context = object({
  ...{ registration: uuid, instructor: agent, revision: text, platform: text, extensions },
  language: matching(/^[a-z]{2,8}(?:-[a-z0-9]{1,8})*$/i, 'wrongType'),
  contextActivities: object({
    ...{ parent: someActivities, grouping: someActivities, category: someActivities, other: someActivities },
  }),
});

const statement = object(
  {
    ...{ id: uuid, actor: agent, object: activity, context, timestamp: time },
    verb: object({ id: iri, display: languageMap }, ['id']),
    result: object({
      score,
      success: typed('boolean'),
      completion: typed('boolean'),
      response: text,
      duration,
      extensions,
    }),
    ...{ stored: time, authority: agent, version: matching(/^1\.0(?:\.\d+)?$/, 'wrongType') },
  },
  ['actor', 'verb', 'object'],
);

/**
 * Rules of xAPI 1.0.3, part two, for a statement about an activity, written down from the published specification (from
 * memory): identifiers, one of them for each person, no null outside of extensions, nothing that is not named there,
 * times and lengths by ISO 8601, scores in their bounds.
 */
export const checkStatement = (value: unknown): readonly StatementFault[] => statement(value, '');
