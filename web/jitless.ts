import { config } from 'zod/v4';

export * from 'zod/v4';
// The page's content security policy forbids code made at run time; without this zod tries and is reported.
config({ jitless: true });
