// A place of 20,000 kits and 500,000 events, and its server.
import { join } from 'node:path';
import { fillEvents } from './lists.mjs';
import { FILE, newPlace, openServer } from './place.mjs';

export async function bigPlace(kits = 20_000, events = 500_000) {
  const folder = newPlace(kits);
  fillEvents(join(folder, FILE), events);
  return { folder, server: await openServer(folder) };
}
