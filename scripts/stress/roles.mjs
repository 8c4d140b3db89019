// Every door by every role.
import { whole } from './jest.mjs';

export const hold = async () => whole('server/people/doors.test.ts');
