// Thousands of odd bodies for every door that takes one, another row at each run.
import { whole } from './jest.mjs';

export const hold = async () => whole('server/anything.test.ts');
