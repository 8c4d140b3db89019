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
import { skillWords } from '../../core/patterns/skillWords.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Select } from '../parts/Select.tsx';
import { Choice } from '../parts/Choice.tsx';
import { Confirm } from '../parts/Confirm.tsx';
import { TextField } from '../parts/Field.tsx';
import { CountField } from '../parts/TypedField.tsx';
import { Notice, Row, Stack } from '../parts/Panel.tsx';
import { say } from '../parts/messages.ts';
import { chosenOf } from './derived.ts';
import { RoleSelect } from './RoleSelect.tsx';
import { useOpenDesign } from './store.ts';
import { text } from './text.ts';

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
        say(text('deleted', { design: design.name }));
        void navigate('/shape');
      },
      onError: (e) => setProblem(words(e)),
    });
  return (
    <Stack $gap={10}>
      <h2>{text('madeMade')}</h2>
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
        label={text('name')}
        value={design.name}
        onChange={(name) => onChange(name.trim() === '' ? { ownName: false } : { name, ownName: true })}
        hint={design.ownName === false ? text('followsWhatIs') : text('emptyFollowsWhatIs')}
      />
      <Two>
        <TextField
          label={text('group')}
          value={design.forGroup}
          onChange={(forGroup) => forGroup.trim() !== '' && onChange({ forGroup })}
        />
        <CountField label={text('kits')} value={design.copies} onChange={number('copies', 1, 200)} />
        <CountField
          label={text('fromMonths')}
          value={design.ageFrom}
          onChange={number('ageFrom', 0, design.ageTo - 1)}
        />
        <CountField
          label={text('months')}
          value={design.ageTo}
          onChange={number('ageTo', design.ageFrom + 1, 216)}
        />
      </Two>
      <Choice
        label={text('putsThingsMouth')}
        value={design.mouths ? 'yes' : 'no'}
        onChange={(v) => onChange({ mouths: v === 'yes' })}
        options={[
          { value: 'no', label: text('noWhoUses') },
          { value: 'yes', label: text('somebodyDoes') },
        ]}
      />
      <Select
        label={text('skill')}
        value={design.skill}
        onChange={(v) => onChange({ skill: v as Skill })}
        options={SKILLS.map((s) => ({ value: s, label: skillWords(s) }))}
      />
      <Select
        label={text('approach')}
        value={design.approach}
        onChange={(v) => onChange({ approach: v as Approach })}
        options={APPROACHES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }))}
      />
      {problem && <Notice tone="stop">{problem}</Notice>}
      <Row>
        <Button small plain onPress={startAnew}>
          {text('resetDialsThisApproach')}
        </Button>
        <Button small plain onPress={() => onChange({ onBench: design.onBench === false })}>
          {design.onBench === false ? text('putBackOnBench') : text('setAside')}
        </Button>
        <Button small plain onPress={() => setDeleting(true)}>
          {text('delete')}
        </Button>
      </Row>
      <Confirm
        title={text('delete2', { design: design.name })}
        words={text('thisDeletesDesignDials')}
        yes={text('delete')}
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
