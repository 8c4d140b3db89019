// A rare code through every door that takes one, erased, and searched for in every byte.
import { whole } from './jest.mjs';

export const hold = async () => whole('server/stations/erasing.test.ts');
