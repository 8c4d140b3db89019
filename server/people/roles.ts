import { ROLES, type PersonRole } from '../../contract/people.ts';

/** Doors that need more than their kind says, by the beginning of their address, the first that fits. */
const DOORS: readonly (readonly [path: RegExp, reads: PersonRole, writes: PersonRole])[] = [
  [/^\/(people|deeds)\b/, 'keeps', 'keeps'],
  // Everybody has a session and a password of their own.
  [/^\/session\b/, 'reads', 'reads'],
  [/^\/(backups|integrity)\b/, 'keeps', 'keeps'],
  [/^\/(place|rules|message-words)\b/, 'reads', 'keeps'],
  // Worked out, not written.
  [/^\/compute\b/, 'reads', 'reads'],
  [/^\/designs\/(file\/look|suggest|check)\b/, 'reads', 'reads'],
  [/^\/kits\/file\/look\b/, 'reads', 'reads'],
  // Erasing somebody is for who keeps the place.
  [/^\/borrowers\/\d+\/(erase|data)\b/, 'keeps', 'keeps'],
  [/^\/children\/[^/]+\/(erase|data)\b/, 'keeps', 'keeps'],
  // Everybody's at once asks for no less than one family's or one child's.
  [/^\/files\/(families|notes)\.csv\b/, 'keeps', 'keeps'],
  [
    /^\/(loans|copies|borrowers|reservations|tellings|outbox|term-plans|notes|children|hand-tests|tests|builds\/\d+\/tests)\b/,
    'reads',
    'lends',
  ],
  [/^\/kits\/\d+\/give\b/, 'reads', 'lends'],
];

/** What a request needs of whoever asks. */
export function roleFor(method: string, path: string): PersonRole {
  const reads = method === 'GET' || method === 'HEAD';
  // Doors open whatever the case of their address: so must what is asked of them.
  const plain = path.toLowerCase();
  const door = DOORS.find(([p]) => p.test(plain));
  if (door) return reads ? door[1] : door[2];
  return reads ? 'reads' : 'designs';
}

export const may = (has: PersonRole, needs: PersonRole): boolean =>
  ROLES.indexOf(has) >= ROLES.indexOf(needs);
