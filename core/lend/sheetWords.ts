import type { BenchTool } from '../patterns/kernel.ts';

/** Languages that papers for families can be asked for in: those whose letters the shipped type has. */
export const LANGUAGES = [
  'en',
  'es',
  'fr',
  'pt',
  'de',
  'it',
  'nl',
  'pl',
  'ro',
  'tr',
  'uk',
  'bg',
  'el',
] as const;

/** What every paper for families says, whatever is in the kit. */
export interface SheetWords {
  readonly pictureSheet: string;
  readonly countCard: string;
  readonly layOut: string;
  readonly steps: string;
  readonly play: string;
  readonly lookFor: string;
  readonly easier: string;
  readonly harder: string;
  readonly ladder: string;
  readonly oneHand: string;
  readonly care: string;
  readonly ours: string;
  readonly adult: string;
  readonly child: string;
  readonly either: string;
  readonly blade: string;
  readonly done: string;
  readonly dry: string;
  readonly minutes: string;
  readonly countIn: string;
  readonly out: string;
  readonly back: string;
  /** Under what nothing may be measured on. */
  readonly notToScale: string;
  readonly caution: string;
  readonly knives: string;
  readonly tools: Readonly<Record<BenchTool, string>>;
}

const en: SheetWords = {
  pictureSheet: 'To make and play at home',
  countCard: 'What is in this kit',
  layOut: 'Lay out',
  notToScale: 'Pictures are not to scale.',
  steps: 'Make it',
  play: 'Play',
  lookFor: 'Look for',
  easier: 'Easier',
  harder: 'Harder',
  ladder: 'From easier to harder',
  oneHand: 'One hand, or left-handed',
  care: 'Take care',
  ours: 'From us',
  adult: 'adult',
  child: 'child',
  either: 'adult or child',
  blade: 'an adult cuts, away from children',
  done: 'done for you',
  dry: 'let it dry',
  minutes: 'min',
  countIn: 'Count the pieces before and after you play.',
  out: 'out',
  back: 'back',
  caution:
    'These are the usual cautions, not a certificate. Stay with the child. Local rules come first; ask the therapist who knows the child.',
  knives: 'All knife work away from children.',
  tools: {
    scissors: 'scissors',
    'craft knife': 'craft knife',
    saw: 'saw',
    'cutting board': 'cutting board',
    ruler: 'ruler',
    marker: 'marker',
    'hole punch': 'hole punch',
    bradawl: 'bradawl',
    sandpaper: 'sandpaper',
    stapler: 'stapler',
    laminator: 'laminator',
    printer: 'printer',
  },
};

const es: SheetWords = {
  pictureSheet: 'Para hacer y jugar en casa',
  countCard: 'Qué hay en este kit',
  layOut: 'Prepare',
  notToScale: 'Los dibujos no están a escala.',
  steps: 'Hágalo',
  play: 'Jugar',
  lookFor: 'Observe',
  easier: 'Más fácil',
  harder: 'Más difícil',
  ladder: 'De fácil a difícil',
  oneHand: 'Con una mano, o con la izquierda',
  care: 'Cuidado',
  ours: 'De nuestra parte',
  adult: 'adulto',
  child: 'niño o niña',
  either: 'adulto o niño',
  blade: 'corta un adulto, lejos de los niños',
  done: 'ya está hecho',
  dry: 'deje secar',
  minutes: 'min',
  countIn: 'Cuente las piezas antes y después de jugar.',
  out: 'sale',
  back: 'vuelve',
  caution:
    'Estas son las precauciones habituales, no un certificado. Quédese con el niño. Las normas locales van primero; pregunte al terapeuta que conoce al niño.',
  knives: 'Todo trabajo con cuchilla, lejos de los niños.',
  tools: {
    scissors: 'tijeras',
    'craft knife': 'cúter',
    saw: 'sierra',
    'cutting board': 'tabla de corte',
    ruler: 'regla',
    marker: 'rotulador',
    'hole punch': 'perforadora',
    bradawl: 'punzón',
    sandpaper: 'papel de lija',
    stapler: 'grapadora',
    laminator: 'plastificadora',
    printer: 'impresora',
  },
};

/** Words of a paper in a language; where a language has none yet, in English. */
export const sheetWords = (language: string): SheetWords => (language === 'es' ? es : en);
/** Whether the papers' own words are there in a language. */
export const speaks = (language: string): boolean => language === 'en' || language === 'es';
