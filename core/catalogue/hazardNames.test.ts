import { hazardsNamed } from './hazardNames.ts';
import { catalogue } from './index.ts';

type Class = Parameters<typeof hazardsNamed>[0]['materialClass'];
const of = (name: string, materialClass: Class = 'plastic', form: 'piece' | 'container' = 'piece') =>
  hazardsNamed({ name, materialClass, form }).map((h) => (h.isNear ? `${h.hazard}?` : h.hazard));

it.each([
  ['CR2032 from a bathroom scale', 'metal', ['button cell']],
  ['Button batteries', 'metal', ['button cell', 'battery']],
  ['Pila de botón', 'metal', ['button cell']],
  ['Fridge magnet', 'plastic', ['magnet']],
  ['Imán redondo', 'metal', ['magnet']],
  ['Glass marbles', 'glass', ['marble', 'glass']],
  ['Water beads, dry', 'plastic', ['bead', 'swells in water']],
  ['Balloons', 'rubber', ['balloon']],
  ['Globos', 'rubber', ['balloon']],
  ['Grapes', 'food', ['choking form']],
  ['Cherry tomatoes', 'food', ['choking form']],
  ['Raw carrot sticks', 'food', ['choking form']],
  ['Peanuts', 'food', ['choking form']],
  ['Red kidney beans', 'food', ['toxic']],
  ['Judías rojas', 'food', ['toxic']],
  ['Tin can', 'metal', ['sharp edge']],
  ['Cotton buds', 'paper', ['sheds']],
  ['Pom-pom, 50 mm', 'fabric', ['sheds']],
] as const)('%s is known by its name', (name, materialClass, hazards) => {
  expect(of(name, materialClass)).toEqual(hazards);
});

it('knows by whole words, and by what the thing is', () => {
  // Of plastic a grape is a small part, no grape; a nut of metal is no food.
  for (const name of ['Grape, plastic', 'Wing nut', 'Lolly stick', 'Button, shirt', 'Bottle cork', 'Beanbag'])
    expect([name, of(name, name.includes('nut') ? 'metal' : 'plastic')]).toEqual([name, []]);
  expect(of('Baked beans, cooked', 'food')).toEqual([]);
  expect(of('Peanut butter jar', 'plastic', 'container')).toEqual([]);
  expect(of('Steel tray for magnets', 'metal', 'container')).toEqual([]);
});

it('asks where a letter is another', () => {
  expect(of('Magnit', 'metal')).toEqual(['magnet?']);
  expect(of('Ballon', 'rubber')).toEqual(['balloon?']);
});

it('says nothing of what a household keeps but for what hurts', () => {
  const told = catalogue.flatMap((e) => (hazardsNamed(e).length > 0 ? [e.key] : []));
  expect(told).toEqual([
    'chenille',
    'straw-bead',
    'magnet-disc',
    'button-cell-20',
    'button-cell-44',
    'battery-aa',
    'battery-aaa',
    'haricot',
    'bead-large',
    'glass-marble',
    'pom-pom',
    'pom-large',
    'cotton-ball',
    'cotton-pad',
    'staples',
  ]);
});
