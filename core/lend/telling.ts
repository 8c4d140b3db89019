import { addDays, daysBetween, shortDay, type Day } from '../calendar/days.ts';

/** What a family is told of a kit: called back, late, came back short, due soon, or kept for it and in. */
const TOLD_OF = ['recalled', 'late', 'short', 'soon', 'ready'] as const;
export type ToldOf = (typeof TOLD_OF)[number];

/** A loan is due soon from so many days before. */
const SOON = 3;
/** How long a kit that is in is kept for a family that was told. */
const KEPT_DAYS = 7;

export interface ToTell {
  readonly of: ToldOf;
  readonly kit: string;
  readonly label: string;
  /** The day it was or is due; of one that is kept, the day until which; of one that came back short, the day it did. */
  readonly day: Day;
  /** What is asked back: how many of what. */
  readonly pieces?: string | undefined;
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

/** What a message is put together from, by what stands in braces; each has only those that it knows. */
export const MESSAGE_MARKS = {
  hello: ['family', 'place'],
  recalledSubject: ['kit', 'label', 'day'],
  recalled: ['kit', 'label', 'day'],
  lateSubject: ['kit', 'label', 'day'],
  late: ['kit', 'label', 'day'],
  shortSubject: ['kit', 'label', 'day', 'pieces'],
  short: ['kit', 'label', 'day', 'pieces'],
  soonSubject: ['kit', 'label', 'day'],
  soon: ['kit', 'label', 'day'],
  readySubject: ['kit', 'label', 'day'],
  ready: ['kit', 'label', 'day'],
  end: ['place'],
  ring: ['phone'],
} as const satisfies Record<string, readonly string[]>;
export type MessagePart = keyof typeof MESSAGE_MARKS;
export const MESSAGE_PARTS = Object.keys(MESSAGE_MARKS) as MessagePart[];
export type MessageTemplate = Readonly<Record<MessagePart, string>>;
/** A place's own words by language; what it left empty is said as shipped. */
export type OwnMessages = Readonly<Record<string, Partial<MessageTemplate>>>;

/** The first mark in braces that a part does not know; null where it knows all. */
export const strayMark = (part: MessagePart, words: string): string | null =>
  [...words.matchAll(/\{([^{}]*)\}/g)]
    .map((m) => m[1]!)
    .find((mark) => !(MESSAGE_MARKS[part] as readonly string[]).includes(mark)) ?? null;

/** Languages that messages ship in; a place adds others with its own words. */
export const SHIPPED_MESSAGES: Readonly<Record<string, MessageTemplate>> = {
  en: {
    hello: 'Hello {family},',
    recalledSubject: 'Please bring {kit} back now',
    recalled:
      '{kit} ({label}) did not pass a test here. Please put it away now, out of reach of children, and bring it back with every part as soon as you can.',
    lateSubject: '{kit} was due back',
    late: '{kit} ({label}) was due back on {day}. Please bring it back with all its parts. If something is missing, bring it all the same and tell us.',
    shortSubject: 'Something of {kit} may still be with you',
    short:
      '{kit} ({label}) came back on {day} without {pieces}. Please look for it, out of reach of small children, and bring it when you come; if it is gone, tell us.',
    soonSubject: '{kit} is due back soon',
    soon: '{kit} ({label}) is due back on {day}. If you want it longer, ask us.',
    readySubject: '{kit} is here for you',
    ready: '{kit} ({label}) is here for you. We keep it until {day}.',
    end: 'Thank you. {place}',
    ring: 'Questions: ring {phone}.',
  },
  es: {
    hello: 'Hola, {family}:',
    recalledSubject: 'Por favor, devuelvan ahora {kit}',
    recalled:
      '{kit} ({label}) no pasó una prueba aquí. Guárdenlo ahora fuera del alcance de los niños y tráiganlo con todas sus piezas lo antes posible.',
    lateSubject: '{kit} tenía que estar de vuelta',
    late: '{kit} ({label}) tenía que volver el {day}. Por favor, tráiganlo con todas sus piezas. Si falta algo, tráiganlo igualmente y dígannoslo.',
    shortSubject: 'Puede que algo de {kit} siga en su casa',
    short:
      '{kit} ({label}) volvió el {day} sin {pieces}. Por favor, búsquenlo, fuera del alcance de los niños pequeños, y tráiganlo cuando vengan; si no aparece, dígannoslo.',
    soonSubject: '{kit} tiene que volver pronto',
    soon: '{kit} ({label}) tiene que volver el {day}. Si lo quieren más tiempo, pregúntennos.',
    readySubject: '{kit} está aquí para ustedes',
    ready: '{kit} ({label}) está aquí para ustedes. Lo guardamos hasta el {day}.',
    end: 'Gracias. {place}',
    ring: 'Preguntas: llamen al {phone}.',
  },
};

/** Parts that came later: a language that a place wrote before has the English for them until it writes its own. */
const LATER: readonly MessagePart[] = ['shortSubject', 'short'];

/** Words for a language: the place's own before the shipped; null where neither says everything. */
export function templateFor(language: string, own: OwnMessages): MessageTemplate | null {
  const said = Object.fromEntries(Object.entries(own[language] ?? {}).filter(([, words]) => words !== ''));
  const later = Object.fromEntries(LATER.map((part) => [part, SHIPPED_MESSAGES.en![part]]));
  const whole = { ...later, ...SHIPPED_MESSAGES[language], ...said };
  return MESSAGE_PARTS.every((part) => whole[part]) ? (whole as MessageTemplate) : null;
}

const filled = (words: string, values: Readonly<Record<string, string>>): string =>
  words.replace(/\{(\w+)\}/g, (whole, key: string) => values[key] ?? whole);

/** One message for a family: the most urgent first, one line a kit. `locale` says how days are written in the place's own language. */
export function messageFor(o: {
  readonly family: string;
  readonly place: string;
  readonly phone: string;
  readonly items: readonly ToTell[];
  readonly language: string;
  readonly template: MessageTemplate;
  readonly locale: string;
}): { subject: string; words: string } {
  const t = o.template;
  const items = [...o.items].sort((a, b) => TOLD_OF.indexOf(a.of) - TOLD_OF.indexOf(b.of));
  // A place that writes the language has days as it writes them.
  const locale = o.locale.startsWith(o.language) ? o.locale : o.language;
  const values = (i: ToTell): Record<string, string> => ({
    kit: i.kit,
    label: i.label,
    day: shortDay(i.day, locale),
    pieces: i.pieces ?? '',
  });
  const [first] = items;
  return {
    subject: first ? filled(t[`${first.of}Subject`], values(first)) : '',
    words: [
      filled(t.hello, { family: o.family, place: o.place }),
      ...items.map((i) => filled(t[i.of], values(i))),
      [filled(t.end, { place: `${o.place}.` }), o.phone === '' ? '' : filled(t.ring, { phone: o.phone })]
        .filter(Boolean)
        .join(' '),
    ].join('\n\n'),
  };
}
