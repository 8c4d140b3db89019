import { atStep, circle, dimension, rectangle, sceneOf, words } from './marks.ts';
import { growing, stepPictures } from './stepPictures.ts';

const lid = circle('body', [0, 0], 90);
const slot = rectangle('opening', [0, 0], [40, 6]);
const scene = sceneOf([
  lid,
  ...atStep('cut', [slot], 'draw'),
  ...atStep('try', [circle('piece', [80, 0], 30)]),
  dimension([-45, 0], [45, 0], [0, 60]),
  words([0, 70], 'beside it'),
]);
const ORDER = ['wash', 'draw', 'cut', 'try', 'count'];

it('shows what is there by each step, pencil lines before their cut', () => {
  const things = growing(scene, ORDER);
  const roles = (step: string) => things.get(step)!.picture.marks.map((m) => ('role' in m ? m.role : m.kind));
  expect(roles('wash')).toEqual(['body']);
  expect(roles('draw')).toEqual(['body', 'guide']);
  expect(roles('cut')).toEqual(['body', 'opening']);
  expect(roles('count')).toEqual(['body', 'opening', 'piece']);
  const now = (step: string) => things.get(step)!.picture.marks.map((m) => m.now === true);
  expect(now('draw')).toEqual([false, true]);
  expect(now('cut')).toEqual([false, true]);
  expect(now('try')).toEqual([false, false, true]);
});

it('keeps one frame, and gives a picture only to steps that change the thing', () => {
  const pictures = stepPictures(scene, ORDER);
  expect([...pictures.keys()]).toEqual(['draw', 'cut', 'try']);
  expect(new Set([...pictures.values()].map((p) => `${p.width} × ${p.height}`)).size).toBe(1);
});

it('has what belongs to a step that is left out from its pencil line on, or from the beginning', () => {
  expect(growing(scene, ['draw', 'try']).get('draw')!.picture.marks).toMatchObject([
    { role: 'body' },
    { role: 'opening', now: true },
  ]);
  expect(growing(scene, ['try']).get('try')!.picture.marks).toMatchObject([
    { role: 'body' },
    { role: 'opening' },
    { role: 'piece', now: true },
  ]);
});
