import { z } from 'zod';
import type { AnyDials, OpenPattern } from './index.ts';
import { usualMaterials } from './usual.ts';

interface JsonSchema {
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly maxLength?: number;
  readonly anyOf?: readonly JsonSchema[];
}

function valuesOf(s: JsonSchema): unknown[] {
  if (s.anyOf) return s.anyOf.flatMap(valuesOf);
  if (s.enum) return [...s.enum];
  if (s.const !== undefined) return [s.const];
  switch (s.type) {
    case 'boolean':
      return [true, false];
    case 'number':
    case 'integer': {
      const { minimum: low = 0, maximum: high = 1e6 } = s;
      return [low, high, Math.round((low + high) / 2), low + 1e-6, 1e-6, 0, -1, high * 10];
    }
    case 'string':
      return ['', 'x'.repeat(s.maxLength ?? 100), '<>&'];
    case 'array':
      return [[]];
    case 'null':
      return [null];
    default:
      return [];
  }
}

/** Every dial of a pattern at its ends, in the middle, and just outside: one set of dials for each. */
export function dialsAtEnds(p: OpenPattern): { readonly what: string; readonly dials: AnyDials }[] {
  const { properties = {} } = z.toJSONSchema(p.dials, { unrepresentable: 'any', io: 'input' }) as {
    properties?: Record<string, JsonSchema>;
  };
  return Object.entries(properties).flatMap(([dial, s]) =>
    valuesOf(s).map((value) => ({
      what: `${p.id} ${dial} = ${JSON.stringify(value).slice(0, 40)}`,
      dials: { [dial]: value },
    })),
  );
}

/** The usual materials of a pattern with each of their sizes, and all of them, at the ends of what may be typed. */
export function materialsAtEnds(p: OpenPattern) {
  const usual = usualMaterials(p.roles);
  return p.roles.flatMap((r) =>
    (usual[r.id] ?? []).flatMap((m) =>
      Object.keys(m.sizes).flatMap((name) =>
        [1e-6, 5000].flatMap((mm) =>
          [{ ...m.sizes, [name]: mm }, Object.fromEntries(Object.keys(m.sizes).map((k) => [k, mm]))].map(
            (sizes) => ({
              what: `${p.id} ${r.id} ${JSON.stringify(sizes)}`,
              materials: { ...usual, [r.id]: [{ ...m, sizes }] },
            }),
          ),
        ),
      ),
    ),
  );
}
