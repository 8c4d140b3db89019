import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Design, DesignInput } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { asMeasured } from '../../core/materials/material.ts';
import { patterns, SKILLS, type Approach, APPROACHES, type Skill } from '../../core/patterns/index.ts';
import { api, ApiError, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Choice } from '../parts/Choice.tsx';
import { Select } from '../parts/Select.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { CountField, TextField } from '../parts/Field.tsx';
import { Form } from '../parts/Form.tsx';
import { Notice, Row, Stack } from '../parts/Panel.tsx';
import { styled } from 'styled-components';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  @media (max-width: 560px) {
    grid-template-columns: 1fr;
  }
`;

/** Starts a design from a pattern, a container and a piece; the dials begin where the approach puts them. */
export function NewDesign({
  isOpen,
  onClose,
  materials,
  place,
}: {
  isOpen: boolean;
  onClose(): void;
  materials: MaterialRow[];
  place: Place;
}) {
  const pattern = Object.values(patterns)[0]!;
  const [name, setName] = useState('');
  const [group, setGroup] = useState('');
  const [ages, setAges] = useState<{ from: number | null; to: number | null }>({ from: 18, to: 30 });
  const [skill, setSkill] = useState<Skill>(pattern.skills[0]!);
  const [approach, setApproach] = useState<Approach>(place.approach);
  const [kits, setKits] = useState<number | null>(1);
  const [chosen, setChosen] = useState<Record<string, number>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const add = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  const start = async (): Promise<void> => {
    setProblem(null);
    try {
      if (ages.from === null || ages.to === null || kits === null)
        throw new Error('Ages and kits are needed.');
      const missing = pattern.roles.find((r) => !r.optional && chosen[r.id] === undefined);
      if (missing) throw new Error(`Choose a ${missing.label.toLowerCase()}.`);
      const dials = pattern.defaults({
        approach,
        chosen: Object.fromEntries(
          Object.entries(chosen).map(([role, id]) => {
            const m = materials.find((x) => x.id === id);
            return [role, m && asMeasured(m)];
          }),
        ),
        ageFrom: ages.from,
      });
      const made = await add.mutateAsync({
        name: name.trim(),
        pattern: pattern.id,
        forGroup: group.trim(),
        ageFrom: ages.from,
        ageTo: ages.to,
        skill,
        copies: kits,
        dials,
        materials: chosen,
      });
      onClose();
      await navigate(`/shape/${made.id}`);
    } catch (e) {
      setProblem(
        e instanceof ApiError
          ? e.problem.errors.map((x) => `${x.path}: ${x.message}`).join('; ') || e.message
          : words(e),
      );
    }
  };
  return (
    <Dialog title="New design: drop-through" isOpen={isOpen} onClose={onClose} wide>
      <Form onSubmit={() => void start()}>
        <Stack>
          <TextField label="Name" value={name} onChange={setName} required autoFocus />
          <Two>
            {pattern.roles.map((role) => (
              <Select
                key={role.id}
                label={role.optional ? `${role.label} (if any)` : role.label}
                value={chosen[role.id] === undefined ? null : String(chosen[role.id])}
                onChange={(v) => setChosen((c) => ({ ...c, [role.id]: Number(v) }))}
                options={materials
                  .filter((m) => role.forms.includes(m.form))
                  .map((m) => ({
                    value: String(m.id),
                    label: m.name,
                    note: `${m.kept}${m.unit === 'mm' ? ' mm' : ''} kept`,
                  }))}
              />
            ))}
          </Two>
          <Two>
            <TextField label="For (group)" value={group} onChange={setGroup} required />
            <Two>
              <CountField
                label="From, months"
                value={ages.from}
                onChange={(from) => setAges((a) => ({ ...a, from }))}
              />
              <CountField
                label="To, months"
                value={ages.to}
                onChange={(to) => setAges((a) => ({ ...a, to }))}
              />
            </Two>
            <Select
              label="Skill"
              value={skill}
              onChange={(v) => setSkill(v as Skill)}
              options={SKILLS.map((s) => ({ value: s, label: s }))}
            />
            <CountField label="Kits" value={kits} onChange={setKits} />
          </Two>
          <Choice
            label="Approach"
            value={approach}
            onChange={(v) => setApproach(v as Approach)}
            options={APPROACHES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }))}
          />
          {problem && <Notice tone="stop">{problem}</Notice>}
          <Row>
            <Button type="submit" isDisabled={add.isPending}>
              Create
            </Button>
            <Button plain onPress={onClose}>
              Cancel
            </Button>
          </Row>
        </Stack>
      </Form>
    </Dialog>
  );
}
