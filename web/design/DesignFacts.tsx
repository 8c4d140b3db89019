import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { APPROACHES, SKILLS, type OpenPattern, type Skill } from '../../core/patterns/index.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Select } from '../parts/Choice.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { CountField, TextField } from '../parts/Field.tsx';
import { Notice, Row, Stack } from '../parts/Panel.tsx';
import { chosenOf } from './derived.ts';
import { useOpenDesign } from './store.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;

/** Whom it is for, what it is made of, how many: the facts behind the dials. */
export function DesignFacts({
  design,
  materials,
  pattern,
  onChange,
}: {
  design: Design;
  materials: readonly MaterialRow[];
  pattern: OpenPattern;
  onChange(part: Partial<Omit<Design, 'id' | 'version'>>): void;
}) {
  const number = (key: 'ageFrom' | 'ageTo' | 'copies', min: number, max: number) => (n: number | null) =>
    n !== null && n >= min && n <= max && onChange({ [key]: n });
  const [problem, setProblem] = useState<string | null>(null);
  const [throwing, setThrowing] = useState(false);
  const navigate = useNavigate();
  const remove = useChange(() => api<void>('DELETE', `/designs/${design.id}`));
  const startAnew = (): void => {
    try {
      const approach = APPROACHES.find((a) => a === design.dials.approach) ?? APPROACHES[0];
      onChange({
        dials: pattern.defaults({ approach, chosen: chosenOf(design, materials), ageFrom: design.ageFrom }),
      });
      setProblem(null);
    } catch (e) {
      setProblem(words(e));
    }
  };
  const throwAway = (): void =>
    remove.mutate(undefined, {
      onSuccess: () => {
        useOpenDesign.setState({ draft: null, saving: 'saved' });
        void navigate('/shape');
      },
      onError: (e) => setProblem(words(e)),
    });
  return (
    <Stack $gap={10}>
      <h2>Made of, made for</h2>
      {pattern.roles.map((role) => (
        <Select
          key={role.id}
          label={role.label}
          placeholder={role.optional ? 'none' : 'Choose'}
          value={design.materials[role.id] === undefined ? null : String(design.materials[role.id])}
          onChange={(v) => onChange({ materials: { ...design.materials, [role.id]: Number(v) } })}
          options={materials
            .filter((m) => role.forms.includes(m.form))
            .map((m) => ({
              value: String(m.id),
              label: m.name,
              note: `${m.kept}${m.unit === 'mm' ? ' mm' : ''} kept`,
            }))}
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
      <Select
        label="Skill"
        value={design.skill}
        onChange={(v) => onChange({ skill: v as Skill })}
        options={SKILLS.map((s) => ({ value: s, label: s }))}
      />
      <Select
        label="Approach"
        value={String(design.dials.approach)}
        onChange={(v) => onChange({ dials: { ...design.dials, approach: v } })}
        options={APPROACHES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }))}
      />
      {problem && <Notice tone="stop">{problem}</Notice>}
      <Row>
        <Button small plain onPress={startAnew}>
          Dials as the approach starts
        </Button>
        <Button small plain onPress={() => onChange({ onBench: design.onBench === false })}>
          {design.onBench === false ? 'Put it on the bench' : 'Put it by'}
        </Button>
        <Button small plain onPress={() => setThrowing(true)}>
          Throw it away
        </Button>
      </Row>
      <Dialog
        title={`Throw ${design.name} away?`}
        isOpen={throwing}
        onClose={() => setThrowing(false)}
        mustAnswer
      >
        <Stack>
          <p>The design and its dials are gone then. What is on the shelf stays.</p>
          <Row>
            <Button
              isDisabled={remove.isPending}
              onPress={() => {
                setThrowing(false);
                throwAway();
              }}
            >
              Throw it away
            </Button>
            <Button plain onPress={() => setThrowing(false)}>
              Keep it
            </Button>
          </Row>
        </Stack>
      </Dialog>
    </Stack>
  );
}
