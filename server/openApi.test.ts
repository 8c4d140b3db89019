import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Validator } from '@seriousme/openapi-schema-validator';
import request from 'supertest';
import { makeApp } from './app.ts';
import { doorTables } from './openApi.ts';
import { doorsOf } from './people/doorsOf.ts';
import { startTest, type TestDesk } from './testing.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

it('the description of the doors is OpenAPI 3.1, by the published schema', async () => {
  const { body } = await desk.get('/openapi.json').expect(200);
  const checked = await new Validator().validate(body as Record<string, unknown>);
  expect(checked).toMatchObject({ valid: true });
  const described = Object.entries(body.paths as Record<string, object>).flatMap(([path, operations]) =>
    Object.keys(operations).map((method) => `${method} ${path}`),
  );
  expect(described.sort()).toEqual(
    doorsOf(desk.app)
      .map(({ method, path }) => `${method} ${path.replace(/:(\w+)/g, '{$1}')}`)
      .sort(),
  );
});
it('a server that has pages too describes its doors alone', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'fox-pages-'));
  writeFileSync(join(folder, 'index.html'), '<html></html>');
  const app = makeApp(desk.serverContext, folder);
  expect(doorsOf(app)).toHaveLength(doorsOf(desk.app).length);
  await request(app).get('/api/openapi.json').expect(200);
  rmSync(folder, { recursive: true });
});
it('it says what a door takes', async () => {
  const { body } = await desk.get('/openapi.json').expect(200);
  expect(body.paths['/loans'].post).toMatchObject({
    'x-role': 'lender',
    'x-record': 'lent a kit',
    requestBody: {
      content: { 'application/json': { schema: { required: expect.arrayContaining(['kitId', 'dueOn']) } } },
    },
  });
  expect(body.paths['/kits/{id}/history'].get.parameters).toContainEqual({
    name: 'id',
    in: 'path',
    required: true,
    schema: { type: 'integer', minimum: 1 },
    description: 'kit',
  });
});
it('it can be read as a page that fetches nothing', async () => {
  const { text } = await desk.get('/docs').expect(200);
  expect(text).toContain('POST /loans');
  expect(text).not.toMatch(/<script|https?:\/\//);
});
it('docs/api.md says the same', () => {
  const [, tables] = readFileSync(`${import.meta.dirname}/../docs/api.md`, 'utf8').split(
    '<!-- made by npm run docs -->\n\n',
  );
  expect(tables).toBe(`${doorTables(desk.app)}\n`);
});
