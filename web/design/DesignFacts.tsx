import { memo, useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import {
  APPROACHES,
  SKILLS,
  type Approach,
  type OpenPattern,
  type Skill,
} from '../../core/patterns/index.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Select } from '../parts/Select.tsx';
import { Choice } from '../parts/Choice.tsx';
import { Confirm } from '../parts/Confirm.tsx';
import { CountField, TextField } from '../parts/Field.tsx';
import { Notice, Row, Stack } from '../parts/Panel.tsx';
import { say } from '../parts/messages.ts';
import { chosenOf } from './derived.ts';
import { RoleSelect } from './RoleSelect.tsx';
import { useOpenDesign } from './store.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;

/** The same while only dials moved: none of them is shown here. */
const sameFacts = (a: Facts, b: Facts): boolean =>
  a.materials === b.materials &&
  a.pattern === b.pattern &&
  a.onChange === b.onChange &&
  Object.keys({ ...a.design, ...b.design }).every(
    (k) => k === 'dials' || k === 'version' || a.design[k as keyof Design] === b.design[k as keyof Design],
  );

interface Facts {
  design: Design;
  materials: readonly MaterialRow[];
  pattern: OpenPattern;
  onChange(part: Partial<Omit<Design, 'id' | 'version'>>): void;
}

/** Whom it is for, what it is made of, how many: the facts behind the dials. */
export const DesignFacts = memo(function DesignFacts({ design, materials, pattern, onChange }: Facts) {
  const number = (key: 'ageFrom' | 'ageTo' | 'copies', min: number, max: number) => (n: number | null) =>
    n !== null && n >= min && n <= max && onChange({ [key]: n });
  const [problem, setProblem] = useState<string | null>(null);
  const [deleting, setDeleting] = useState(false);
  const navigate = useNavigate();
  const remove = useChange(() => api<void>('DELETE', `/designs/${design.id}`));
  const startAnew = (): void => {
    try {
      const { approach, ageFrom } = design;
      onChange({ dials: pattern.defaults({ approach, chosen: chosenOf(design, materials), ageFrom }) });
      setProblem(null);
    } catch (e) {
      setProblem(words(e));
    }
  };
  const deleteIt = (): void =>
    remove.mutate(undefined, {
      onSuccess: () => {
        useOpenDesign.getState().forget(design.id);
        say(`${design.name} is deleted.`);
        void navigate('/shape');
      },
      onError: (e) => setProblem(words(e)),
    });
  return (
    <Stack $gap={10}>
      <h2>Made of, made for</h2>
      {pattern.roles.map((role) => (
        <RoleSelect
          key={role.id}
          role={role}
          kinds={design.materials[role.id] ?? []}
          materials={materials}
          onChange={(kinds) => onChange({ materials: { ...design.materials, [role.id]: [...kinds] } })}
        />
      ))}
      <TextField
        label="Name"
        value={design.name}
        onChange={(name) => name.trim() !== '' && onChange({ name })}
      />
      <Two>
        <TextField
          label="For (group)"
          value={design.forGroup}
          onChange={(forGroup) => forGroup.trim() !== '' && onChange({ forGroup })}
        />
        <CountField label="Kits" value={design.copies} onChange={number('copies', 1, 200)} />
        <CountField
          label="From, months"
          value={design.ageFrom}
          onChange={number('ageFrom', 0, design.ageTo - 1)}
        />
        <CountField
          label="To, months"
          value={design.ageTo}
          onChange={number('ageTo', design.ageFrom + 1, 216)}
        />
      </Two>
      <Choice
        label="Puts things in the mouth"
        value={design.mouths ? 'yes' : 'no'}
        onChange={(v) => onChange({ mouths: v === 'yes' })}
        options={[
          { value: 'no', label: 'No one who uses it' },
          { value: 'yes', label: 'Somebody does' },
        ]}
      />
      <Select
        label="Skill"
        value={design.skill}
        onChange={(v) => onChange({ skill: v as Skill })}
        options={SKILLS.map((s) => ({ value: s, label: s }))}
      />
      <Select
        label="Approach"
        value={design.approach}
        onChange={(v) => onChange({ approach: v as Approach })}
        options={APPROACHES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }))}
      />
      {problem && <Notice tone="stop">{problem}</Notice>}
      <Row>
        <Button small plain onPress={startAnew}>
          Reset the dials to this approach
        </Button>
        <Button small plain onPress={() => onChange({ onBench: design.onBench === false })}>
          {design.onBench === false ? 'Put back on the bench' : 'Set aside'}
        </Button>
        <Button small plain onPress={() => setDeleting(true)}>
          Delete
        </Button>
      </Row>
      <Confirm
        title={`Delete ${design.name}?`}
        words="This deletes the design and its dials. What is on the shelf stays."
        yes="Delete"
        isOpen={deleting}
        isBusy={remove.isPending}
        onYes={() => {
          setDeleting(false);
          deleteIt();
        }}
        onNo={() => setDeleting(false)}
      />
    </Stack>
  );
}, sameFacts);
