import type { Express } from 'express';
import { z } from 'zod';
import { doorsOf, type Found } from './people/doorsOf.ts';

/** JSON Schema as far as it is looked into here. */
interface Schema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly anyOf?: readonly Schema[];
}

const schemaOf = (of: z.ZodType): Schema => {
  const { $schema: _, ...schema } = z.toJSONSchema(of, { unrepresentable: 'any', io: 'input' });
  return schema as Schema;
};
/** The fields of an object, also where it is one of several or may be left out. */
const fieldsOf = (s: Schema): Schema => (s.properties ? s : (s.anyOf?.find((x) => x.properties) ?? s));

const pathOf = (path: string): string => path.replace(/:(\w+)/g, '{$1}');
const tagOf = (path: string): string => path.split('/')[1]!.replace(/-/g, ' ');

/** What can go wrong at any door. */
const PROBLEM = {
  description: 'A problem (RFC 9457) that names the fields at fault',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};

function operationOf({ method, path, rule }: Found): Record<string, unknown> {
  if (!rule) throw new Error(`${method} ${path} says nothing of itself`);
  const query = rule.query ? fieldsOf(schemaOf(rule.query)) : {};
  const parameters = [
    ...[...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: name === 'id' ? { type: 'integer', minimum: 1 } : { type: 'string' },
      ...(name === 'id' && rule.id ? { description: rule.id } : {}),
    })),
    ...Object.entries(query.properties ?? {}).map(([name, schema]) => ({
      name,
      in: 'query',
      required: query.required?.includes(name) ?? false,
      schema,
    })),
  ];
  return {
    operationId: `${method} ${path}`,
    tags: [tagOf(path)],
    summary: rule.about,
    'x-role': rule.role,
    'x-record': rule.does,
    'x-most-bytes': rule.bytes,
    'x-most-seconds': rule.seconds,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(rule.bytes > 0
      ? {
          requestBody: {
            content: Object.fromEntries(
              rule.media
                .split(' or ')
                .map((media) => [media, { schema: rule.body ? schemaOf(rule.body) : { type: 'string' } }]),
            ),
          },
        }
      : {}),
    responses: { [String(rule.status)]: { description: rule.about }, default: PROBLEM },
  };
}

/** Every door as OpenAPI 3.1, out of what each says of itself. */
export function openApiOf(app: Express): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const door of doorsOf(app)) (paths[pathOf(door.path)] ??= {})[door.method] = operationOf(door);
  return {
    openapi: '3.1.0',
    info: { title: 'Fox Button', version: '1', description: 'JSON in, JSON out. See docs/api.md.' },
    servers: [{ url: '/api' }],
    paths,
    components: {
      schemas: {
        Problem: {
          type: 'object',
          required: ['type', 'title', 'status', 'detail', 'errors'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            errors: {
              type: 'array',
              items: {
                type: 'object',
                properties: { path: { type: 'string' }, message: { type: 'string' } },
              },
            },
            current: {},
          },
        },
      },
    },
  };
}

const said = (s: Schema): string => {
  const { properties, required = [] } = fieldsOf(s);
  return properties
    ? Object.keys(properties)
        .map((name) => (required.includes(name) ? name : `${name}?`))
        .join(', ')
    : '';
};
const mega = (bytes: number): string =>
  bytes >= 1e9 ? `${bytes / 1e9} GB` : `${Math.round(bytes / 1_048_576)} MB`;
const cell = (text: string): string => text.replace(/\|/g, '\\|');

/** The same as tables for docs/api.md: a door a row, by what its address begins with. */
export function doorTables(app: Express): string {
  const groups = new Map<string, string[]>();
  for (const { method, path, rule } of doorsOf(app)) {
    if (!rule) throw new Error(`${method} ${path} says nothing of itself`);
    const query = rule.query ? said(schemaOf(rule.query)) : '';
    const body = rule.body ? said(schemaOf(rule.body)) : '';
    const takes = [
      ...(query ? [`?${query.replaceAll('?', '')}`] : []),
      ...(body ? [`{${body}}`] : []),
      ...(rule.bytes > 0 && rule.media !== 'application/json'
        ? [`${rule.media}, at most ${mega(rule.bytes)}`]
        : []),
    ].join(' ');
    const row = `| \`${method.toUpperCase()} ${path}\` | ${rule.role} | ${takes ? `\`${cell(takes)}\`` : ''} | ${cell(rule.about)} |`;
    const tag = tagOf(path);
    groups.set(tag, [...(groups.get(tag) ?? []), row]);
  }
  return [...groups]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([tag, rows]) =>
      [
        `## ${tag[0]!.toUpperCase()}${tag.slice(1)}`,
        '',
        '| call | for who | takes | what it answers |',
        '| --- | --- | --- | --- |',
        ...rows,
      ].join('\n'),
    )
    .join('\n\n');
}
