// `npm run openapi`: writes docs/openapi.json, an OpenAPI 3.1 description of every route, from the table of routes that
// the server serves and the browser calls. With --check it only says whether what is written is still true.
import fs from 'node:fs';
import { type ErrorCode, permissionOf, type Route, type RouteName, routes, statusOfError } from '@semita/core/contract';
import { Validator } from '@seriousme/openapi-schema-validator';
import { type ConversionConfig, toJsonSchema } from '@valibot/to-json-schema';

type AnySchema = Parameters<typeof toJsonSchema>[0];
type Mode = 'input' | 'output';

const file = new URL('../docs/openapi.json', import.meta.url);

/** Named schemas stand once among the components instead of being written out in every route. */
const definitions: Record<string, AnySchema> = {};
const contract = new URL('../packages/core/src/contract/', import.meta.url);
for (const fileName of fs
  .readdirSync(contract)
  .filter((name) => name.endsWith('-schemas.ts'))
  .toSorted())
  for (const [name, value] of Object.entries((await import(new URL(fileName, contract).href)) as object))
    if (name.endsWith('Schema')) definitions[name.replace(/Schema$/, '')] = value as AnySchema;

const components: Record<string, unknown> = {};

function contentOf(schema: AnySchema, mode: Mode) {
  const config: ConversionConfig = {
    target: 'draft-2020-12',
    typeMode: mode,
    errorMode: 'throw',
    definitions,
    // Each of these says nothing that JSON Schema could say. A new kind of action fails here until somebody has looked.
    ignoreActions: ['trim', 'finite', 'check', 'transform', 'to_lower_case', 'normalize'],
    overrideRef: ({ referenceId }) => `#/components/schemas/${referenceId}.${mode}`,
  };
  const {
    $schema: _,
    $defs = {},
    ...rest
  } = toJsonSchema(schema, config) as Record<string, unknown> & {
    readonly $defs?: Record<string, unknown>;
  };
  for (const [name, definition] of Object.entries($defs)) components[`${name}.${mode}`] = definition;
  return { 'application/json': { schema: rest } };
}

function operationOf(name: string, { path, audience, body, output, rawBodyLimit }: Route) {
  const permission = permissionOf(name as RouteName);
  const isOpen = audience === 'anyone' || audience === 'demoVisitor';
  return {
    operationId: name,
    tags: [path.split('/')[2]],
    'x-audience': audience,
    ...(permission ? { 'x-thing': permission.thing, 'x-relations': permission.by } : {}),
    ...(isOpen ? { security: [] } : {}),
    parameters: [...path.matchAll(/:(\w+)/g)].map(([, parameter]) => ({
      ...{ name: parameter, in: 'path', required: true, schema: { type: 'string' } },
    })),
    ...(body ? { requestBody: { required: true, content: contentOf(body, 'input') } } : {}),
    ...(rawBodyLimit ? { requestBody: { required: true, content: { 'application/octet-stream': {} } } } : {}),
    responses: {
      ...(output
        ? { 200: { description: 'Done', content: contentOf(output, 'output') } }
        : { '2XX': { description: 'Done; a file or a stream where there is an answer' } }),
      default: { $ref: '#/components/responses/Refused' },
    },
  };
}

const paths: Record<string, Record<string, unknown>> = {};
for (const [name, route] of Object.entries(routes as Record<string, Route>)) {
  const address = route.path.replace(/:(\w+)/g, '{$1}');
  paths[address] = { ...paths[address], [route.method.toLowerCase()]: operationOf(name, route) };
}

const codes = Object.keys(statusOfError) as ErrorCode[];
const refusal = {
  type: 'object',
  required: ['code'],
  properties: { code: { enum: codes }, detail: { description: 'What more there is to say, by the code' } },
};
const description = {
  openapi: '3.1.1',
  info: {
    title: 'Semita',
    version: '1',
    description:
      'Generated from the table of routes; do not edit. Errors are codes: sentences for people are in the web app.',
  },
  security: [{ session: [] }],
  paths,
  components: {
    schemas: Object.fromEntries(Object.entries(components).toSorted(([a], [b]) => a.localeCompare(b))),
    responses: { Refused: { description: 'Refused', content: { 'application/json': { schema: refusal } } } },
    securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'semita_session' } },
  },
};

/** One line for each route and each schema, so that a change shows as what it is. */
const inLines = (record: object) =>
  `{\n${Object.entries(record)
    .map(([name, value]) => `${JSON.stringify(name)}:${JSON.stringify(value)}`)
    .join(',\n')}\n}`;
const text = `${JSON.stringify(description)
  .replace(JSON.stringify(description.paths), () => inLines(description.paths))
  .replace(JSON.stringify(description.components.schemas), () => inLines(description.components.schemas))}\n`;
const missing = [...text.matchAll(/"#\/components\/schemas\/([^"]+)"/g)].filter(
  ([, name]) => !((name ?? '') in components),
);
const { valid, errors } = await new Validator().validate(JSON.parse(text));
if (!valid || missing.length > 0) throw new Error(JSON.stringify({ missing, errors }).slice(0, 2_000));

const count = Object.keys(routes).length;
if (process.argv.includes('--check')) {
  const isTrue = fs.existsSync(file) && fs.readFileSync(file, 'utf8') === text;
  console.log(isTrue ? `${count} routes, as docs/openapi.json says` : 'docs/openapi.json is old: npm run openapi');
  process.exitCode = isTrue ? 0 : 1;
} else {
  fs.writeFileSync(file, text);
  console.log(`${count} routes in docs/openapi.json`);
}
