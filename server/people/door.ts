import { UNDO_HEADER } from '../../contract/undo.ts';
import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import type { PersonRole } from '../../contract/people.ts';
import { sendPage, type PageEnd } from '../paging.ts';
import { read, readId } from '../problem.ts';
import { ProblemError } from '../problemError.ts';
import { suffices } from './roles.ts';
import { whoAsks } from './who.ts';
import { JsonText } from './jsonText.ts';

/** What a door says of itself: also what its description in OpenAPI is made of. */
export interface DoorRule {
  /** What it answers, for whoever writes to it from elsewhere. */
  readonly about: string;
  /** Whom it opens to, where somebody must be signed in or is. */
  readonly role: PersonRole;
  /** What is on record of who came through, in words; null where nothing is changed. */
  readonly does: string | null;
  /** Whether somebody must be signed in even where the place does without, once anybody is set up. */
  readonly isOnesOwn: boolean;
  /** The most that it takes. */
  readonly bytes: number;
  /** What it takes: JSON, unless it says otherwise. */
  readonly media: string;
  /** How long an answer may take, seconds; null where it goes on as long as something moves. */
  readonly seconds: number | null;
  /** What the address, the query and the body must be, where they are read. */
  readonly id: string | null;
  readonly query: z.ZodType | null;
  readonly body: z.ZodType | null;
  /** The status of an answer that is one. */
  readonly status: number;
  /** A list that comes in pages. */
  readonly isPage: boolean;
  /** What it did can be taken back the same day. */
  readonly isUndoable: boolean;
}

/** What a door is declared with; what is left out is as it mostly is. */
interface Declared<Q, B> {
  readonly about: string;
  /** Whom it opens to: whoever may look, unless it says more. */
  readonly role?: PersonRole;
  /** In words, as “lent a kit”; left out where nothing is changed. */
  readonly does?: string;
  readonly isOnesOwn?: boolean;
  readonly bytes?: number;
  readonly media?: string;
  readonly seconds?: number | null;
  /** Of what the number in the address is, as “kit”. */
  readonly id?: string;
  readonly query?: z.ZodType<Q>;
  readonly body?: z.ZodType<B>;
  readonly status?: number;
  readonly isPage?: boolean;
  readonly isUndoable?: boolean;
}

/** What a door is asked with, read and checked. */
export interface Asked<Q, B> {
  readonly req: Request;
  readonly res: Response;
  /** The number in the address, where it has one. */
  readonly id: number;
  readonly query: Q;
  readonly body: B;
}

/** Largest body of JSON, bytes. */
export const MOST_JSON = 1_048_576;
/** The body of a door that is told nothing: empty, or left out. */
export const NOTHING = z.strictObject({}).optional();
/** An answer that takes longer is not waited for, seconds. */
const MOST_SECONDS = 600;

export type Door = ReturnType<typeof guarded> & { readonly rule: DoorRule };

/** Who is signed in, as the guard found them. */
export const personIn = (res: Response): { readonly role: PersonRole; readonly name: string } | undefined =>
  (res.locals as { person?: { role: PersonRole; name: string } }).person;

/** Lets nobody through who may not, and writes down who comes. */
function letIn(req: Request, res: Response, { role, does, isOnesOwn, isUndoable }: DoorRule): void {
  const person = personIn(res);
  if (person && !suffices(person.role, role))
    throw new ProblemError(403, `${person.name} may not do that here: it needs a ${role}.`, [
      {
        path: 'session',
        message: `expected a ${role}${role === 'manager' ? '' : ', or somebody who may do more'}`,
      },
    ]);
  if (!person && isOnesOwn && (res.locals as { isAnybodySetUp?: boolean }).isAnybodySetUp)
    throw new ProblemError(401, 'Sign in first: people are changed by somebody who keeps the place.', [
      { path: 'session', message: 'expected somebody who is signed in' },
    ]);
  const asking = whoAsks();
  if (!asking) return;
  asking.does = does;
  asking.undoable = isUndoable && does !== null ? { did: does, role } : null;
  // A child's code in an address is none of the record's business.
  asking.asked = `${req.method} ${String((req.route as { path: unknown }).path)}`.replace(
    /:id\b/,
    String(req.params.id ?? ':id').slice(0, 12),
  );
}

/** Ends what takes longer than its door says. */
function ends(res: Response, seconds: number | null): void {
  if (seconds === null) return;
  const timer = setTimeout(() => {
    if (res.headersSent) return void res.destroy();
    res
      .status(503)
      .set('retry-after', '30')
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: 'Busy',
          status: 503,
          detail: `It took longer than ${seconds} s. Try again later, or with less.`,
          errors: [],
        }),
      );
  }, seconds * 1000).unref();
  res.once('close', () => clearTimeout(timer));
}

function guarded<Q, B>(rule: DoorRule, handle: (asked: Asked<Q, B>) => unknown) {
  return async (req: Request, res: Response): Promise<void> => {
    letIn(req, res, rule);
    ends(res, rule.seconds);
    const answer: unknown = await handle({
      req,
      res,
      id: rule.id === null ? 0 : readId(req.params.id, rule.id),
      query: (rule.query === null ? undefined : read(rule.query, req.query)) as Q,
      body: (rule.body === null ? undefined : read(rule.body, req.body)) as B,
    });
    // It has sent its answer by itself, or nobody is there any more.
    if (res.headersSent || res.destroyed) return;
    const doneId = whoAsks()?.doneId ?? null;
    if (doneId !== null) res.set(UNDO_HEADER, String(doneId));
    if (rule.isPage) sendPage(req, res, answer as { items: readonly unknown[] } & Omit<PageEnd, 'count'>);
    else if (answer === undefined) res.status(204).end();
    else if (answer instanceof JsonText) res.status(rule.status).type('json').send(answer.text);
    else res.status(rule.status).json(answer);
  };
}

/** Doors of a station: each says whom it opens to, what is on record, what it takes and for how long. */
export class Doors {
  readonly router = Router();
  private add<Q, B>(
    method: 'get' | 'post' | 'put' | 'delete',
    path: string,
    declared: Declared<Q, B>,
    handle: (asked: Asked<Q, B>) => unknown,
  ): void {
    const rule: DoorRule = {
      about: declared.about,
      role: declared.role ?? 'viewer',
      does: declared.does ?? null,
      isOnesOwn: declared.isOnesOwn ?? false,
      bytes: declared.bytes ?? (method === 'post' || method === 'put' ? MOST_JSON : 0),
      media: declared.media ?? 'application/json',
      seconds: declared.seconds === undefined ? MOST_SECONDS : declared.seconds,
      id: declared.id ?? null,
      query: declared.query ?? null,
      body: declared.body ?? null,
      status: declared.status ?? 200,
      isPage: declared.isPage ?? false,
      isUndoable: declared.isUndoable ?? false,
    };
    this.router[method](path, Object.assign(guarded(rule, handle), { rule }));
  }
  get<Q, B>(path: string, declared: Declared<Q, B>, handle: (asked: Asked<Q, B>) => unknown): void {
    this.add('get', path, declared, handle);
  }
  post<Q, B>(path: string, declared: Declared<Q, B>, handle: (asked: Asked<Q, B>) => unknown): void {
    this.add('post', path, declared, handle);
  }
  put<Q, B>(path: string, declared: Declared<Q, B>, handle: (asked: Asked<Q, B>) => unknown): void {
    this.add('put', path, declared, handle);
  }
  delete<Q, B>(path: string, declared: Declared<Q, B>, handle: (asked: Asked<Q, B>) => unknown): void {
    this.add('delete', path, declared, handle);
  }
}
