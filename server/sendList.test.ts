import express from 'express';
import request from 'supertest';
import { sendList } from './sendList.ts';

const served = (make: () => AsyncGenerator<unknown>) => {
  const app = express();
  app.get('/', async (_req, res) => sendList(res, make()));
  app.use(((_error, _req, res, _next) => void res.status(500).json('told')) as express.ErrorRequestHandler);
  return request(app).get('/');
};
async function* upTo(n: number): AsyncGenerator<unknown> {
  for (let i = 0; i < n; i++) yield { i, text: `“${i}”, with\na break` };
}

// One, a part, a part and one more, several parts.
it.each([0, 1, 2, 199, 200, 201, 400, 1001])('sends %p entries as one array', async (n) => {
  const r = await served(() => upTo(n)).expect(200);
  expect(r.headers['content-type']).toMatch(/^application\/json/);
  expect(r.body).toEqual(Array.from({ length: n }, (_, i) => ({ i, text: `“${i}”, with\na break` })));
});

async function* failing(): AsyncGenerator<unknown> {
  yield await Promise.reject(new Error('no shelf'));
}
it('tells what fails before the first entry', async () => {
  await served(failing).expect(500, '"told"');
});
