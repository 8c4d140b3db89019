import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Child } from '../../contract/children.ts';
import { loadPattern, type OpenPattern } from '../../core/patterns/index.ts';
import { answer, CAP, show, slotDesign } from '../testing/desk.tsx';
import { FitToChild } from './FitToChild.tsx';

const CHILD: Child = {
  code: 'P-02',
  version: 4,
  hand: { span: 120, side: 'left', oneHanded: false },
  likes: 'bells',
  age: null,
  born: null,
  mouths: false,
  allergies: [],
};
const TAPE = {
  ...CAP,
  id: 5,
  name: 'Tape',
  form: 'consumable' as const,
  sizes: { width: 24 },
  unit: 'mm' as const,
  materialClass: 'tape' as const,
  kept: 9000,
};
const PAPER = {
  ...CAP,
  id: 6,
  name: 'Notes',
  form: 'sheet' as const,
  sizes: { length: 76, width: 76, wall: 0.1 },
  materialClass: 'paper' as const,
};
let tape: OpenPattern;
beforeAll(async () => {
  tape = await loadPattern('finger-tape');
});
const design = (part: object = {}) => {
  const chosen = { tape: [TAPE], paper: [PAPER] };
  return slotDesign({
    pattern: 'finger-tape',
    name: 'Crab finger',
    dials: tape.defaults({ approach: 'graded play', ageFrom: 48, chosen }),
    materials: { tape: [5], paper: [6] },
    ...part,
  });
};
const open = (more: Record<string, unknown> = {}, part: object = {}) => {
  const calls = answer({
    'GET /children': [CHILD],
    'PUT /children/P-02': CHILD,
    'PUT /children/P-09': { ...CHILD, code: 'P-09' },
    'POST /designs': (body: object) => ({ ...body, id: 40, version: 1, made: 0 }),
    ...more,
  });
  let closed = 0;
  show(
    <FitToChild
      design={design(part)}
      materials={[TAPE, PAPER]}
      pattern={tape}
      unit="mm"
      onClose={() => closed++}
    />,
  );
  return { calls, isClosed: () => closed > 0 };
};
const type = async (label: string, text: string) => {
  const box = screen.getByRole('textbox', { name: label });
  await userEvent.clear(box);
  await userEvent.type(box, text);
  await userEvent.tab();
};

describe('a design fitted to a child', () => {
  it('starts from a new code and what was measured; the general one is not touched', async () => {
    const { calls, isClosed } = open();
    await type('Code name', 'P-09');
    await type('Round the first finger', '38');
    expect(screen.getByText(/Its dials start from .*38 mm/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Start a design for P-09' }));
    await waitFor(() => expect(isClosed()).toBe(true));
    expect(calls.map((c) => `${c.method} ${c.path}`)).toEqual(['PUT /children/P-09', 'POST /designs']);
    expect(calls[0]!.body).toEqual({
      hand: { side: 'not settled', oneHanded: false, finger: 38 },
      likes: '',
    });
    expect(calls[1]!.body).toMatchObject({
      name: 'Crab finger, P-09',
      child: 'P-09',
      copies: 1,
      dials: { girth: 38 },
    });
    expect(calls[1]!.body).not.toHaveProperty('id');
  });
  it('takes a pinch as the scale shows it, and says what is usual at the age and how each is measured', async () => {
    const { calls } = open({}, { ageFrom: 48 });
    await type('Code name', 'P-09');
    await type('Pinch', '5 lb');
    expect(
      screen.getByText(
        /^Usual at 4 years: a spread of about 128 mm, a pinch of about 25 N \(2.5 kg, 5.6 lb\)/,
      ),
    ).toBeVisible();
    await userEvent.click(screen.getByText('How each is measured'));
    expect(screen.getByText(/^A kitchen scale held upright by an adult/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Start a design for P-09' }));
    await waitFor(() => expect(calls.length).toBe(2));
    expect((calls[0]!.body as { hand: { force: number } }).hand.force).toBeCloseTo(22.24, 2);
  });
  it('says what it expected of a pinch that is none', async () => {
    open();
    await type('Pinch', 'strong');
    expect(screen.getByText(/write it like 24, 24 N, 2.4 kg or 5 lb/)).toBeVisible();
  });
  it('takes a child that is known as it was measured, and does not write it again', async () => {
    const { calls } = open();
    await userEvent.click(await screen.findByRole('button', { name: /Another child/ }));
    await userEvent.click(screen.getByRole('option', { name: 'P-02' }));
    expect(screen.getByRole('textbox', { name: 'Hand span' })).toHaveValue('120');
    expect(screen.getByRole('textbox', { name: 'Likes' })).toHaveValue('bells');
    expect(screen.getByText('With these measures its dials stay as they are.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Start a design for P-02' }));
    await waitFor(() => expect(calls.map((c) => c.method)).toEqual(['POST']));
  });
  it('writes over measures with the version it has seen', async () => {
    const { calls } = open({}, { child: 'P-02' });
    await waitFor(() => expect(screen.getByRole('textbox', { name: 'Hand span' })).toHaveValue('120'));
    await type('Hand span', '131');
    // It is this child's design already: no second one is begun.
    expect(screen.queryByText(/stays as it is/)).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Take these measures' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]).toMatchObject({
      path: '/children/P-02',
      body: { version: 4, hand: { span: 131, side: 'left' } },
    });
  });
  it('asks for a code, and names the field that cannot be', async () => {
    const { calls } = open({
      'PUT /children/P-09': [
        400,
        {
          type: 'about:blank',
          title: 'Bad Request',
          status: 400,
          detail: 'hand.span: must be at most 250 mm',
          errors: [{ path: 'hand.span', message: 'must be at most 250 mm' }],
        },
      ],
    });
    await userEvent.click(screen.getByRole('button', { name: 'Start a design for this child' }));
    expect(await screen.findByText('Give the child a code name.')).toBeVisible();
    expect(calls).toEqual([]);
    await type('Code name', 'P-09');
    await type('Hand span', '900');
    await userEvent.click(screen.getByRole('button', { name: 'Start a design for P-09' }));
    const field = screen.getByRole('textbox', { name: 'Hand span' });
    await waitFor(() => expect(field).toBeInvalid());
    expect(field).toHaveAccessibleDescription(/at most 250 mm/);
    expect(calls.map((c) => c.method)).toEqual(['PUT']);
  });
});
