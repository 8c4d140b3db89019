import { useState } from 'react';
import type { Child, ChildInput } from '../../../contract/children.ts';
import { ALLERGIES, type Allergy } from '../../../core/lend/allergies.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useChildren } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';

const ALLERGY_OPTIONS = ALLERGIES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }));

/** What is known of a child in one line; what is not known says so. */
const factsOf = (child: Child | undefined): string =>
  [
    child?.age == null ? 'age not told' : `${child.age} months`,
    child?.mouths ? 'still puts things in the mouth' : null,
    child && child.allergies.length > 0 ? `allergic to ${child.allergies.join(', ')}` : 'no allergies told',
  ]
    .filter(Boolean)
    .join(' · ');

/** What the check goes by for a child: its age, whether it mouths, its allergies; and a way to say them. */
export function ChildFacts({ code }: { code: string }) {
  const { data: children } = useChildren();
  const [isOpen, setOpen] = useState(false);
  const child = children?.find((c) => c.code === code);
  if (!children) return null;
  return (
    <>
      <Row>
        <Quiet>The check goes by: {factsOf(child)}.</Quiet>
        <Button small plain onPress={() => setOpen(true)}>
          Change it
        </Button>
      </Row>
      {isOpen && <Facts code={code} child={child} onDone={() => setOpen(false)} />}
    </>
  );
}

const MOUTHS = [{ value: 'mouths', label: 'Still puts things in the mouth' }];

function Facts({ code, child, onDone }: { code: string; child: Child | undefined; onDone(): void }) {
  const [age, setAge] = useState(child?.age ?? null);
  const [born, setBorn] = useState(child?.born ?? '');
  const [mouths, setMouths] = useState<readonly string[]>(child?.mouths ? ['mouths'] : []);
  const [allergies, setAllergies] = useState<readonly string[]>(child?.allergies ?? []);
  const save = useChange(() => {
    const input: ChildInput = {
      hand: child?.hand ?? { side: 'not settled', oneHanded: false },
      likes: child?.likes ?? '',
      age,
      born: born.trim() === '' ? null : born.trim(),
      mouths: mouths.length > 0,
      allergies: allergies as Allergy[],
      ...(child ? { version: child.version } : {}),
    };
    return api<Child>('PUT', `/children/${encodeURIComponent(code)}`, input);
  });
  return (
    <Dialog title={`What the check goes by for ${code}`} isOpen onClose={onDone}>
      <Form onSubmit={() => save.mutate(undefined, { onSuccess: onDone })}>
        <Stack $gap={10}>
          <CountField label="Age today, months" value={age} onChange={setAge} />
          <TextField
            label="Or month of birth"
            value={born}
            onChange={setBorn}
            hint="like 2025-10; it counts before an age"
          />
          <ChoiceOfMany label="Mouthing" value={mouths} onChange={setMouths} options={MOUTHS} />
          <ChoiceOfMany
            label="Allergic to"
            value={allergies}
            onChange={setAllergies}
            options={ALLERGY_OPTIONS}
          />
          {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
          <Row>
            <Button type="submit" small isDisabled={save.isPending}>
              Save it
            </Button>
            <Button small plain onPress={onDone}>
              Leave it
            </Button>
          </Row>
          <Quiet>An age grows from the day it was told.</Quiet>
        </Stack>
      </Form>
    </Dialog>
  );
}
