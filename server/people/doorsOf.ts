import type { Express } from 'express';
import type { Door, DoorRule } from './door.ts';

interface Layer {
  readonly route?: {
    readonly path: string;
    readonly methods: Record<string, boolean>;
    readonly stack: readonly { readonly handle: unknown }[];
  };
  readonly handle: { readonly stack?: readonly Layer[] };
}
/** A door as the router has it: how and where it is asked, and what it says of itself. */
export interface Found {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly rule: DoorRule | undefined;
}

function within(stack: readonly Layer[], at = ''): Found[] {
  return stack.flatMap((layer): Found[] => {
    if (layer.route) {
      const { path, methods, stack: handles } = layer.route;
      const [first] = handles;
      return Object.keys(methods).map((method) => ({
        method: method as Found['method'],
        path: at + path,
        rule: (first!.handle as Partial<Door>).rule,
      }));
    }
    const inner = layer.handle.stack;
    if (!inner) return [];
    // The one router that stands under an address of its own.
    const isCompute = inner.some((l) => l.route?.path === '/small-parts');
    return within(inner, isCompute ? '/compute' : at);
  });
}

/** Every door of a server, as its router has them; the page that it serves beside them is none. */
export const doorsOf = (app: Express): Found[] =>
  within((app as unknown as { router: { stack: readonly Layer[] } }).router.stack.filter((l) => !l.route));
