import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { Design, DesignNeeds } from '../../contract/designs.ts';
import type { Kit, KitAnswer } from '../../contract/lending.ts';
import type { MaterialRow, Offer, Supplier } from '../../contract/materials.ts';
import type { RulesHere } from '../../contract/checking.ts';
import type { Place } from '../../contract/place.ts';
import { NO_CHANGES, rulesOf } from '../../core/safety/rules.ts';
import { patternOf } from '../../core/patterns/index.ts';
import { SLOT_DIALS } from '../../core/testing.ts';
import { atOf } from '../design/derived.ts';

export const PLACE: Place = {
  name: 'Kelpwick cart',
  lengthUnit: 'mm',
  market: 'strictest of both',
  approach: 'prepared shelf',
  paper: 'A4',
  loanDays: 14,
  currency: 'GBP',
  locale: 'en-GB',
  languages: ['en'],
  toiletRolls: 'rest',
  eggCartons: 'rest',
  restDays: 3,
  phone: '',
  hourly: null,
  simulated: true,
  version: 1,
  today: '2026-11-24',
};
/** The rules of the markets as they are, nothing tested yet. */
export const RULES_HERE: RulesHere = {
  version: 1,
  market: 'strictest of both',
  rules: NO_CHANGES,
  list: rulesOf('strictest of both'),
  log: [],
  tests: [],
};
export const CAP: MaterialRow = {
  id: 2,
  version: 3,
  name: 'Cap',
  form: 'disc',
  sizes: { diameter: 38, height: 14 },
  unit: 'each',
  kept: 9,
  waiting: 0,
  materialClass: 'plastic',
  give: 0,
  hazards: [],
  colour: '#B0451A',
};
export const BEAD: MaterialRow = {
  ...CAP,
  id: 3,
  name: 'Bead',
  form: 'piece',
  solid: 'ball',
  sizes: { diameter: 12 },
  kept: 0,
};
export const TUB: MaterialRow = {
  ...CAP,
  id: 1,
  name: 'Tub',
  form: 'container',
  sizes: { diameter: 95, height: 110, wall: 1 },
  kept: 4,
};
export const SUPPLIERS: Supplier[] = [{ id: 1, version: 1, name: 'Pier', delivery: 350 }];
export const OFFERS: Offer[] = [
  {
    id: 5,
    version: 1,
    name: 'Caps, 18',
    supplierId: 1,
    price: 210,
    contents: [{ materialId: 2, quantity: 18 }],
    inStock: true,
    shopKey: null,
  },
];
export const COPY: Kit = {
  id: 7,
  label: 'FB-001a',
  designId: 1,
  design: 'Drop tub',
  skill: 'Pincer and release',
  repair: false,
  toClean: false,
  restsUntil: null,
  retiredOn: null,
  recalled: null,
  parts: [
    { materialId: 1, name: 'Tub', use: 'part', due: 1, present: 1, takes: 1 },
    { materialId: 2, name: 'Cap', use: 'piece', due: 8, present: 8, takes: 1 },
  ],
  openLoan: null,
  lastCounted: '2026-11-20',
};

/** A design of a slot for the cap, for the group of the tests. */
export const slotDesign = (part: Partial<Design> = {}): Design => ({
  id: 1,
  version: 1,
  name: 'Drop tub',
  pattern: 'drop-through',
  forGroup: 'Gulls',
  ageFrom: 18,
  ageTo: 30,
  skill: 'Pincer and release',
  approach: 'prepared shelf',
  copies: 2,
  made: 0,
  dials: SLOT_DIALS,
  materials: { container: [1], piece: [2] },
  onBench: true,
  ...part,
});

export interface Call {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** What every place answers, whatever a test is about. */
/** What the check says of a kit where a test does not say otherwise. */
const CLEAR_ANSWER: KitAnswer = {
  verdict: 'clear',
  youngest: 18,
  isTold: false,
  reasons: [],
  untested: [],
  isFirstLoan: false,
  hangs: [],
};
const USUAL: Record<string, unknown> = {
  'GET /step-times': {},
  'GET /rules': RULES_HERE,
  'GET /term-plans/now': [],
  'GET /kits/7/answer': CLEAR_ANSWER,
  'GET /kits/answers': [],
  'GET /session': { needed: false, isFixed: false, person: null, isFirst: true, lost: 0 },
};

/**
 * Answers fetches from a table of `METHOD /path` to an answer, or to a function of the body that may return
 * `[status, body]`, at once or later; keeps every write that was made.
 */
export function answer(table: Record<string, unknown>): Call[] {
  const calls: Call[] = [];
  globalThis.fetch = (async (url: string, init?: { method?: string; body?: string }) => {
    const method = init?.method ?? 'GET';
    const path = url.replace(/^\/api/, '');
    const body: unknown = init?.body === undefined ? undefined : JSON.parse(init.body);
    if (method !== 'GET') calls.push({ method, path, body });
    // A list may be asked for a page at a time: the table need not know how.
    const entry =
      table[`${method} ${path}`] ??
      table[`${method} ${path.split('?')[0]}`] ??
      USUAL[`${method} ${path.split('?')[0]}`];
    const made: unknown = await (typeof entry === 'function'
      ? (entry as (b: unknown) => unknown)(body)
      : entry);
    const [status, result] =
      Array.isArray(made) && typeof made[0] === 'number'
        ? (made as [number, unknown])
        : [made === undefined ? 404 : 200, made];
    const problem = {
      type: 'about:blank',
      title: 'Not found',
      status,
      detail: `nothing at ${method} ${path}`,
      errors: [],
    };
    return {
      ok: status < 400,
      status,
      headers: new Headers(),
      json: async () => (result === undefined ? problem : result),
    };
  }) as unknown as typeof fetch;
  return calls;
}

/** What the desk says designs need; their families must be loaded. */
export const needsOf = (designs: readonly Design[], materials: readonly MaterialRow[]): DesignNeeds[] =>
  designs.map((d) => ({
    id: d.id,
    needs: patternOf(d.pattern).needs(atOf(d, materials)),
    problem: null,
  }));

/** Within the router and a fresh cache. */
export function show(children: React.ReactNode, at = '/') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(children, {
    wrapper: ({ children: inner }) => (
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[at]}>{inner}</MemoryRouter>
      </QueryClientProvider>
    ),
  });
}
