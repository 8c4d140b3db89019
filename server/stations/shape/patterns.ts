import { Router } from 'express';
import { z } from 'zod';
import { patternRequest } from '../../../contract/compute.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { loadPatterns, PatternError } from '../../../core/patterns/index.ts';
import type { Material } from '../../../core/materials/material.ts';
import { fromCatalogue, usualMaterials } from '../../../core/patterns/usual.ts';
import { PlaceRow } from '../../db/entities.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import type { ServerContext } from '../../serverContext.ts';
import { materialsOf } from './service.ts';
import { Doors } from '../../people/door.ts';

/** Patterns for anyone who can send JSON: what there are, and everything that follows from a design of one. */
export function patternRoutes({ em, today, workerPool }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/patterns',
    { about: 'patterns with skills, roles, dials as JSON Schema, and where they begin' },
    async () => {
      const patterns = await loadPatterns();
      return patterns.map((p) => ({
        id: p.id,
        name: p.name,
        does: p.does({}),
        skills: p.skills,
        roles: p.roles.map(({ id, label, forms, least, most, use, usual }) => ({
          id,
          label,
          forms,
          least,
          most,
          use,
          usual,
        })),
        dials: z.toJSONSchema(p.dials, { unrepresentable: 'any', io: 'input' }),
        defaults: p.defaults({
          approach: 'prepared shelf',
          ageFrom: 36,
          chosen: usualMaterials(p.roles),
        }),
      }));
    },
  );
  r.post(
    '/compute/pattern',
    {
      about:
        "`{pattern, dials?, materials?: {role: [shelf number, catalogue key or whole material]}, approach?, ageFrom?}`; what is left out takes the family's usual: everything that follows: `{dials, title, fit: {verdict, headline, remedy, facts: [{id, label, value, unit?, of?}]}, needs, cuts, steps, moves, bits, counts, features, levels, drawing, show, safety}`",
      body: patternRequest,
    },
    async ({ res, body: input }) => {
      const { materials = {}, approach = 'prepared shelf', ageFrom = 36, ...rest } = input;
      const m = em();
      const ids = Object.values(materials)
        .flat()
        .filter((x) => typeof x === 'number');
      const shelf = await materialsOf(m, ids, today());
      let made = 0;
      const known = (role: string, named: number | string | object): Material => {
        const path = `materials.${role}`;
        if (typeof named === 'number') {
          const there = shelf.get(named);
          if (!there) throw new PatternError(path, `there is no material ${named} on the shelf`);
          return there;
        }
        if (typeof named === 'string') {
          const entry = fromCatalogue(named, 1000 + made++);
          if (!entry) throw new PatternError(path, `“${named}” is no key of the catalogue`);
          return entry;
        }
        return { ...(named as Material), id: -2000 - made++ };
      };
      const chosen = Object.fromEntries(
        Object.entries(materials).map(([role, list]) => [role, list.map((x) => known(role, x))]),
      );
      const place = await m.findOneOrFail(PlaceRow, { id: 1 });
      const request = {
        ...rest,
        materials: chosen,
        approach,
        ageFrom,
        market: place.market as Market,
        rules: place.rules,
      };
      return workerPool.run({ kind: 'pattern', request }, abortOnClose(res));
    },
  );
  return r.router;
}
