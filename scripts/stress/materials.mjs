// Every role of every pattern with every material of the catalogue, at every age from 6 to 72 months: what a text stops is
// stopped, and everything in a bill has its account. npm test looks at a seeded tenth of it.
import { whole } from './jest.mjs';

export const hold = async () => whole('core/safety/everyMaterial');
