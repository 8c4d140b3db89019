import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import { makeApp } from './app.ts';
import { startTest, type TestDesk } from './testing.ts';

let folder: string;
let desk: TestDesk;
let app: Express;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-web-'));
  writeFileSync(
    join(folder, 'index.html'),
    '<meta property="csp-nonce" nonce="__CSP_NONCE__"><script nonce="__CSP_NONCE__"></script>',
  );
  writeFileSync(join(folder, 'a-1234.js'), 'export {};');
  desk = await startTest();
  app = makeApp(desk.serverContext, folder);
});
afterAll(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('the page', () => {
  it('is the same at every address of the interface, never cached, with a nonce of its own', async () => {
    const pages = await Promise.all(
      ['/', '/shape/14', '/lend'].map((path) => request(app).get(path).expect(200)),
    );
    const nonces = pages.map((p) => /nonce="([^"]+)"/.exec(p.text)![1]!);
    expect(new Set(nonces).size).toBe(3);
    for (const [i, page] of pages.entries()) {
      expect(page.text).not.toContain('__CSP_NONCE__');
      expect(page.headers['cache-control']).toBe('no-store');
      expect(page.headers['content-security-policy']).toContain(`'nonce-${nonces[i]}'`);
    }
  });
  it('lets nothing in from elsewhere', async () => {
    const { headers } = await request(app).get('/');
    const policy = headers['content-security-policy']!;
    for (const part of [
      "default-src 'self'",
      "object-src 'none'",
      "frame-ancestors 'none'",
      "script-src 'self'",
      "base-uri 'none'",
    ])
      expect(policy).toContain(part);
    expect(policy).not.toMatch(/(?<!wasm-)unsafe-eval|https?:|script-src[^;]*unsafe-inline/);
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['strict-transport-security']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
  });
  it('does not stand in for a file that is missing', async () => {
    await request(app)
      .get('/assets/gone-99.js')
      .expect(404)
      .expect('content-type', /problem\+json/);
    await request(app)
      .get('/a-1234.js')
      .expect(200)
      .expect('cache-control', /immutable/);
  });
  it('does not answer with files from outside its folder', async () => {
    for (const path of ['/../package.json', '/%2e%2e/package.json', '/..%2fpackage.json', '/%00']) {
      const r = await request(app).get(path);
      expect(r.status).toBeLessThan(500);
      expect(r.text).not.toContain('"dependencies"');
    }
  });
});

describe('the API', () => {
  it('is never cached', async () => {
    expect((await request(app).get('/api/health').expect(200)).headers['cache-control']).toBe('no-store');
  });
  it('tells no stack, whatever breaks', async () => {
    const broken = makeApp(
      {
        ...desk.serverContext,
        em: () => {
          throw new Error('secret /home/path');
        },
      },
      null,
    );
    const r = await request(broken).get('/api/materials').expect(500);
    expect(r.headers['content-type']).toMatch(/problem\+json/);
    expect(JSON.stringify(r.body)).not.toMatch(/secret|home|at /);
  });
});
