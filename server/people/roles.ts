import { ROLES, type PersonRole } from '../../contract/people.ts';

/** Whether a role is enough where another is asked for. */
export const suffices = (has: PersonRole, needs: PersonRole): boolean =>
  ROLES.indexOf(has) >= ROLES.indexOf(needs);
