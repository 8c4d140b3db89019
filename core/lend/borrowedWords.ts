import { messages } from '../languages/messages.ts';

const en = {
  title: 'What {family} borrowed',
  days: '{from} to {to}',
  borrowed: 'What we borrowed',
  nothing: 'Nothing was borrowed in this time.',
  back: '{kit}: {from} to {to}',
  out: '{kit}: since {from}, at home now',
  can: 'What {child} can do now',
  alone: '{design}, “{level}”: alone since {day}',
  isNew: 'new in this time',
  notYet:
    '{sittings, plural, one {# sitting was} other {# sittings were}} noted. No level was managed alone yet.',
  notNoted: 'Nothing was noted of {child} in this time.',
  noChild: 'No child of this family is named in the notes here.',
  notes: 'These are notes of play, not a diagnosis. Ask the therapist who knows the child.',
};
const es: typeof en = {
  title: 'Lo que {family} tomó prestado',
  days: 'Del {from} al {to}',
  borrowed: 'Lo que tomamos prestado',
  nothing: 'No se tomó nada prestado en este tiempo.',
  back: '{kit}: del {from} al {to}',
  out: '{kit}: desde el {from}, ahora en casa',
  can: 'Lo que {child} sabe hacer ahora',
  alone: '{design}, «{level}»: sin ayuda desde el {day}',
  isNew: 'nuevo en este tiempo',
  notYet:
    '{sittings, plural, one {Se anotó # sesión} other {Se anotaron # sesiones}}. Todavía no logró ningún nivel sin ayuda.',
  notNoted: 'No se anotó nada de {child} en este tiempo.',
  noChild: 'Ningún niño de esta familia aparece en las notas.',
  notes: 'Son notas del juego, no un diagnóstico. Pregunten al terapeuta que conoce al niño.',
};

/** What a page says that a family keeps of a time: what it borrowed, and what its children do alone. */
export const borrowedWords = messages({ en, es });
