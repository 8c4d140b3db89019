import { useQuery } from '@tanstack/react-query';
import type { Session } from '../../contract/people.ts';
import { api } from './api.ts';

/** Who is signed in, if anybody, and whether somebody must be. */
export const useSession = () =>
  useQuery({ queryKey: ['session'], queryFn: () => api<Session>('GET', '/session'), retry: false });

/** Whether only the desk is open here: somebody who lends, or looks on, and changes no design and no stock. */
export const isAtDesk = (session: Session | undefined): boolean =>
  session?.person?.role === 'lender' || session?.person?.role === 'viewer';

/** Whether what only a manager may do is open here: where nobody has to sign in, whoever is at the machine may do everything. */
export const mayKeep = (session: Session): boolean =>
  session.person ? session.person.role === 'manager' : !session.needed;
