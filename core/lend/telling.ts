import { addDays, daysBetween, shortDay, type Day } from '../calendar/days.ts';

/** What a family is told of a kit: called back, late, due soon, or kept for it and in. */
export const TOLD_OF = ['recalled', 'late', 'soon', 'ready'] as const;
export type ToldOf = (typeof TOLD_OF)[number];

/** A loan is due soon from so many days before. */
export const SOON = 3;
/** How long a kit that is in is kept for a family that was told. */
export const KEPT_DAYS = 7;

export interface ToTell {
  readonly of: ToldOf;
  readonly kit: string;
  readonly label: string;
  /** The day it was or is due; of one that is kept, the day until which. */
  readonly day: Day;
}

/** Why a loan is told of today, or null where there is nothing to say. */
export function toldOfLoan(
  loan: { readonly dueOn: Day; readonly recalled: string | null },
  today: Day,
): ToldOf | null {
  if (loan.recalled !== null) return 'recalled';
  const left = daysBetween(today, loan.dueOn);
  return left < 0 ? 'late' : left <= SOON ? 'soon' : null;
}
export const keptUntil = (today: Day): Day => addDays(today, KEPT_DAYS);

interface Template {
  readonly subject: Readonly<Record<ToldOf, string>>;
  readonly hello: string;
  readonly line: Readonly<Record<ToldOf, string>>;
  readonly end: string;
  readonly ring: string;
}

/** Languages that a telling is written in; where a place adds others, its own words come with them. */
export const TELLING_LANGUAGES = ['en', 'es'] as const;
export type TellingLanguage = (typeof TELLING_LANGUAGES)[number];

const TEMPLATES: Readonly<Record<TellingLanguage, Template>> = {
  en: {
    subject: {
      recalled: 'Please bring {kit} back now',
      late: '{kit} was due back',
      soon: '{kit} is due back soon',
      ready: '{kit} is here for you',
    },
    hello: 'Hello {family},',
    line: {
      recalled:
        '{kit} ({label}) did not pass a test here. Please put it away now, out of reach of children, and bring it back with every part as soon as you can.',
      late: '{kit} ({label}) was due back on {day}. Please bring it back with all its parts. If something is missing, bring it all the same and tell us.',
      soon: '{kit} ({label}) is due back on {day}. If you want it longer, ask us.',
      ready: '{kit} ({label}) is here for you. We keep it until {day}.',
    },
    end: 'Thank you. {place}',
    ring: 'Questions: ring {phone}.',
  },
  es: {
    subject: {
      recalled: 'Por favor, devuelvan ahora {kit}',
      late: '{kit} tenía que estar de vuelta',
      soon: '{kit} tiene que volver pronto',
      ready: '{kit} está aquí para ustedes',
    },
    hello: 'Hola, {family}:',
    line: {
      recalled:
        '{kit} ({label}) no pasó una prueba aquí. Guárdenlo ahora fuera del alcance de los niños y tráiganlo con todas sus piezas lo antes posible.',
      late: '{kit} ({label}) tenía que volver el {day}. Por favor, tráiganlo con todas sus piezas. Si falta algo, tráiganlo igualmente y dígannoslo.',
      soon: '{kit} ({label}) tiene que volver el {day}. Si lo quieren más tiempo, pregúntennos.',
      ready: '{kit} ({label}) está aquí para ustedes. Lo guardamos hasta el {day}.',
    },
    end: 'Gracias. {place}',
    ring: 'Preguntas: llamen al {phone}.',
  },
};

export const isTellingLanguage = (code: string): code is TellingLanguage =>
  (TELLING_LANGUAGES as readonly string[]).includes(code);

const filled = (words: string, values: Readonly<Record<string, string>>): string =>
  words.replace(/\{(\w+)\}/g, (whole, key: string) => values[key] ?? whole);

/** One message for a family: the most urgent first, one line a kit. `locale` says how days are written in the place's own language. */
export function messageFor(o: {
  readonly family: string;
  readonly place: string;
  readonly phone: string;
  readonly items: readonly ToTell[];
  readonly language: TellingLanguage;
  readonly locale: string;
}): { subject: string; words: string } {
  const t = TEMPLATES[o.language];
  const items = [...o.items].sort((a, b) => TOLD_OF.indexOf(a.of) - TOLD_OF.indexOf(b.of));
  // A place that writes the language has days as it writes them.
  const locale = o.locale.startsWith(o.language) ? o.locale : o.language;
  const values = (i: ToTell): Record<string, string> => ({
    kit: i.kit,
    label: i.label,
    day: shortDay(i.day, locale),
  });
  const [first] = items;
  return {
    subject: first ? filled(t.subject[first.of], values(first)) : '',
    words: [
      filled(t.hello, { family: o.family }),
      ...items.map((i) => filled(t.line[i.of], values(i))),
      [filled(t.end, { place: `${o.place}.` }), o.phone === '' ? '' : filled(t.ring, { phone: o.phone })]
        .filter(Boolean)
        .join(' '),
    ].join('\n\n'),
  };
}
