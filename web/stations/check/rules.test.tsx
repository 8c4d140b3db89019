import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { RulesHere, RulesUpdate } from '../../../contract/checking.ts';
import { rulesOf, type OwnRule, type RuleChange } from '../../../core/safety/rules.ts';
import { answer, PLACE, RULES_HERE, show } from '../../testing/desk.tsx';
import { Component as RulesPage } from './Rules.tsx';

const here = (rules: RulesHere['rules']): RulesHere => ({
  ...RULES_HERE,
  rules,
  list: rulesOf(RULES_HERE.market, rules),
});
const changed: RuleChange = {
  rule: 'finger',
  off: true,
  limit: null,
  below: null,
  verdict: null,
  remedy: null,
  by: 'Keeper',
  why: 'Only tongs are used here',
};
const own: OwnRule = {
  id: 'own-low-posts',
  title: 'Low posts',
  measure: 'post height',
  breaks: 'over',
  limit: 150,
  below: null,
  verdict: 'stop',
  remedy: 'Cut it shorter.',
  by: 'Keeper',
  why: 'low tables',
};
const open = (rules: RulesHere['rules']) => {
  const calls = answer({
    'GET /place': PLACE,
    'GET /rules': here(rules),
    'PUT /rules': (b: unknown) => here(b as RulesHere['rules']),
  });
  show(<RulesPage />);
  return calls;
};
const rule = async (title: string) =>
  (await screen.findByRole('heading', { name: title })).closest('li') as HTMLElement;

describe('rules of the place', () => {
  it('show each with its age, limit, source and year, in the place’s units', async () => {
    open({ changes: [], own: [] });
    const cord = await rule('Length of the cord');
    expect(cord).toHaveTextContent('under 18 months · 220 mm');
    expect(cord).toHaveTextContent('EN 71-1 5.4, cords under 18 months (2014)');
    expect(screen.getByText('Nothing: the rules are as published.')).toBeVisible();
  });
  it('are changed only with who and why, and only the rule that was meant', async () => {
    const calls = open({ changes: [], own: [] });
    const { click, clear, type } = userEvent;
    await click(await screen.findByRole('button', { name: 'Change Length of the cord' }));
    const dialog = within(screen.getByRole('dialog', { name: 'Length of the cord' }));
    const limit = dialog.getByRole('textbox', { name: 'Limit' });
    await clear(limit);
    await type(limit, 'two hundred');
    await click(dialog.getByRole('button', { name: 'Save' }));
    expect(dialog.getByText('Limit: expected a number.')).toBeVisible();
    await clear(limit);
    await type(limit, '200');
    await click(dialog.getByRole('button', { name: 'Save' }));
    expect(dialog.getByText('Decided by: expected a name.')).toBeVisible();
    await type(dialog.getByRole('textbox', { name: 'Decided by' }), 'Keeper');
    await click(dialog.getByRole('button', { name: 'Save' }));
    expect(dialog.getByText('Reason: expected why it is so here.')).toBeVisible();
    expect(calls).toHaveLength(0);
    await type(dialog.getByRole('textbox', { name: 'Reason' }), 'Our own habit');
    await click(dialog.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body as RulesUpdate).toMatchObject({
      version: 1,
      own: [],
      changes: [{ rule: 'cord', off: false, limit: 200, below: null, verdict: null, by: 'Keeper' }],
    });
  });
  it('that are off say so, and go back as published', async () => {
    const calls = open({ changes: [changed], own: [] });
    const finger = await rule('Fingers in the opening');
    expect(finger).toHaveTextContent('Off');
    expect(finger).toHaveTextContent('Changed here by Keeper (off): Only tongs are used here');
    await userEvent.click(screen.getByRole('button', { name: 'Change Fingers in the opening' }));
    await userEvent.click(screen.getByRole('button', { name: 'Back as published' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({ changes: [] });
  });
  it('of its own are added with all they need, and taken out', async () => {
    const calls = open({ changes: [], own: [own] });
    expect(await rule('Low posts')).toHaveTextContent('all ages · 150 mm · Cut it shorter.');
    await userEvent.click(screen.getByRole('button', { name: 'Add a rule' }));
    const dialog = within(screen.getByRole('dialog', { name: 'A rule of your own' }));
    const fill = (name: string, text: string) => userEvent.type(dialog.getByRole('textbox', { name }), text);
    await fill('Title', 'Low posts');
    await fill('Limit', '60');
    await fill('What to do then', 'Take larger ones.');
    await fill('Decided by', 'Keeper');
    await fill('Reason', 'They roll away');
    await userEvent.click(dialog.getByRole('button', { name: 'Add' }));
    expect(dialog.getByText('Title: there is a rule of that name.')).toBeVisible();
    await fill('Title', ' 2');
    await userEvent.click(dialog.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect((calls[0]!.body as RulesUpdate).own).toMatchObject([
      { id: 'own-low-posts' },
      { id: 'own-low-posts-2', measure: 'piece longest', breaks: 'under', limit: 60, below: null },
    ]);
    await userEvent.click(await screen.findByRole('button', { name: 'Take out Low posts' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]!.body).toMatchObject({ own: [] });
  });
});
