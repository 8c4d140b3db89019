import { expect, test } from './desk.ts';
import { choose, fill, fromTop, press, tabTo } from './keys.ts';

// What the browser asks for is the first guess of how a place writes: millimetres here.
test.use({ locale: 'en-GB' });

test('from an empty shelf to a returned kit, by keyboard alone', async ({ page, empty }) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  await page.goto(`${empty.url}/gather`);

  // Gather: a tub in inches, caps in centimetres.
  // What the catalogue does not know gets the long form, with the name that was typed.
  await press(page, page.getByRole('button', { name: 'Add what came in' }));
  await tabTo(page, page.getByRole('searchbox', { name: 'What is it?' }));
  await page.keyboard.type('Lidded tub');
  await press(page, page.getByRole('link', { name: 'Add “Lidded tub” with its sizes' }));
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Lidded tub');
  await choose(page, 'Form', 'Container with lid');
  await fill(page, 'Across (if any)', '3 3/4"');
  await fill(page, 'Height', '110');
  await fill(page, 'Wall thickness', '1.2');
  await fill(page, 'Kept', '3');
  await press(page, page.getByRole('button', { name: 'Add to the shelf' }));
  await expect(page.getByRole('button', { name: /Lidded tub/ })).toContainText('3 kept');
  await fromTop(page);
  await press(page, page.getByRole('link', { name: 'Add what came in' }));
  await tabTo(page, page.getByRole('searchbox', { name: 'What is it?' }));
  await page.keyboard.type('Bottle cap');
  await press(page, page.getByRole('link', { name: 'Add “Bottle cap” with its sizes' }));
  await fill(page, 'Across', '3.8 cm');
  await fill(page, 'Height', '14');
  await fill(page, 'Kept', '20');
  await press(page, page.getByRole('button', { name: 'Add to the shelf' }));
  await expect(page.getByRole('button', { name: /Bottle cap/ })).toContainText('20 kept');

  // Shape: a design from both, then a wider slot by the arrow keys.
  await fromTop(page);
  await press(page, page.getByRole('link', { name: /^Shape/ }));
  await press(page, page.getByRole('button', { name: 'New design' }).first());
  // Three touches: the skill is the first, for whom by one arrow key, what is at hand is the shelf.
  await tabTo(page, page.getByRole('radio', { name: '12–18 months' }));
  await page.keyboard.press('ArrowRight');
  await press(page, page.getByRole('button', { name: 'Start drop-through' }));
  await expect(page.getByText('Drops free').first()).toBeVisible();
  await expect(page.getByText('Room sideways 3 mm', { exact: true })).toBeVisible();
  await tabTo(page, page.getByRole('slider', { name: 'Slot width' }));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Room sideways 4 mm', { exact: true })).toBeVisible();
  await expect(page.getByText('Design 1 · saved')).toBeVisible();

  // Check, Price, Make.
  await fromTop(page);
  await press(page, page.getByRole('link', { name: 'Check it' }));
  await expect(page.getByText('Too large by 3.2 mm to go in')).toBeVisible();
  await fromTop(page);
  await press(page, page.getByRole('link', { name: 'Price it' }));
  await expect(page.getByText('Nothing: the shelf has it all.')).toBeVisible();
  await fromTop(page);
  await press(page, page.getByRole('link', { name: 'Make it' }));
  await press(page, page.getByRole('button', { name: 'This kit is made' }));
  await expect(page.getByText('FB-001a')).toBeVisible();

  // Lend: out to a new family, and back one cap short, filled from the shelf.
  await fromTop(page);
  await press(page, page.getByRole('link', { name: /^Lend 0 out/ }));
  await fill(page, 'Kit or family', 'fb1a');
  await page.keyboard.press('Enter');
  await choose(page, 'Lend to', 'A new family');
  await fill(page, 'Code name', 'Teal Skiff');
  await fill(page, 'Group', 'Gulls');
  await press(page, page.getByRole('button', { name: 'Lend it' }));
  await expect(page.getByRole('heading', { name: /^Teal Skiff has FB-001a until/ })).toBeFocused();
  await press(page, page.getByRole('button', { name: 'Go on with FB-001a' }));
  await expect(page.getByText('With Teal Skiff for 0 days')).toBeVisible();
  await press(page, page.getByRole('button', { name: 'Bottle cap: one less' }));
  await expect(page.getByText('1 × Bottle cap short')).toBeVisible();
  await press(page, page.getByRole('button', { name: 'Fill from stock' }));
  // What came back is cleaned before it is lent again.
  await press(page, page.getByRole('button', { name: 'Go on with FB-001a' }));
  await expect(page.getByRole('button', { name: /FB-001a.*to clean/ })).toBeVisible();
  await press(page, page.getByRole('button', { name: 'FB-001a is cleaned' }));
  await expect(page.getByRole('button', { name: /FB-001a.*in · counted 6\/6/ })).toBeVisible();
  expect(errors).toEqual([]);
});
