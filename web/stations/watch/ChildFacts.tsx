import { useState } from 'react';
import type { Child, ChildInput } from '../../../contract/children.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useChildren } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { DialogEnd } from '../../parts/DialogEnd.tsx';
import { Form } from '../../parts/Form.tsx';
import { Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { bornOf, WhoFields, type Who } from '../../parts/WhoFields.tsx';
import { text } from './text.ts';

/** What is known of a child in one line; what is not known says so. */
const factsOf = (child: Child | undefined): string =>
  [
    child?.age == null ? text('ageNotTold') : text('months', { age: child.age }),
    child?.mouths ? text('stillPutsThingsMouth') : null,
    child && child.allergies.length > 0
      ? text('allergic', { allergies: child.allergies.join(', ') })
      : text('noAllergiesTold'),
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
        <Quiet>{text('checkGoes', { child: factsOf(child) })}</Quiet>
        <Button small plain onPress={() => setOpen(true)}>
          {text('change')}
        </Button>
      </Row>
      {isOpen && <Facts code={code} child={child} onDone={() => setOpen(false)} />}
    </>
  );
}

function Facts({ code, child, onDone }: { code: string; child: Child | undefined; onDone(): void }) {
  const [who, setWho] = useState<Who>({
    age: child?.age ?? null,
    born: child?.born ?? '',
    mouths: child?.mouths ?? false,
    allergies: child?.allergies ?? [],
  });
  const save = useChange(
    () => {
      const input: ChildInput = {
        hand: child?.hand ?? { side: 'not settled', oneHanded: false },
        likes: child?.likes ?? '',
        age: who.age,
        born: bornOf(who),
        mouths: who.mouths,
        allergies: [...who.allergies],
        ...(child ? { version: child.version } : {}),
      };
      return api<Child>('PUT', `/children/${encodeURIComponent(code)}`, input);
    },
    () => text('childSaved', { code }),
  );
  return (
    <Dialog title={text('whatCheckGoes', { code })} isOpen onClose={onDone}>
      <Form onSubmit={() => save.mutate(undefined, { onSuccess: onDone })}>
        <Stack $gap={10}>
          <WhoFields
            value={who}
            onChange={setWho}
            ageLabel={text('ageTodayMonths')}
            bornLabel={text('orMonthBirth')}
            mouthsLabel={text('stillPutsThingsMouth2')}
          />
          <Quiet>{text('ageGrowsFromDay')}</Quiet>
          <DialogEnd
            problem={save.error ? words(save.error) : null}
            yes={text('save')}
            isBusy={save.isPending}
            onClose={onDone}
          />
        </Stack>
      </Form>
    </Dialog>
  );
}
