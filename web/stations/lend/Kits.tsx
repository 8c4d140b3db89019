import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { KitFileLook } from '../../../contract/designFile.ts';
import type { Build } from '../../../contract/designs.ts';
import type { Kit, KitInput } from '../../../contract/kits.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { asMeasured } from '../../../core/materials/material.ts';
import { kits as kitsWords } from '../../../core/needs/supply.ts';
import { packingOf } from '../../../core/packing/container.ts';
import type { PackingAnswer } from '../../../core/packing/problem.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useKits, useMaterials, usePlace } from '../../data/queries.ts';
import { PickFile } from '../../design/PickFile.tsx';
import { readFile } from '../../design/readFile.ts';
import { Button, ButtonLink, FileLink } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Stepper, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { Verdict } from '../../shell/Verdict.tsx';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 12px 16px;
  align-items: start;
  > header {
    grid-column: 1 / -1;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Parts = styled.ul`
  list-style: none;
  margin: 8px 0;
  padding: 0;
  columns: 2;
  column-gap: 24px;
  font-size: 14.5px;
  line-height: 1.35;
  li {
    display: grid;
    grid-template-columns: 38px 1fr;
    gap: 6px;
    padding: 3px 0;
    break-inside: avoid;
  }
  b {
    text-align: right;
  }
  small {
    display: block;
    color: var(--slate);
  }
  @media (max-width: 640px) {
    columns: 1;
  }
`;
const Figures = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  font-size: 14.5px;
`;

const CARRIED: Record<Kit['carriedBy'], string> = {
  child: 'a child carries it',
  parent: 'a parent carries it',
  'two hands': 'heavy: two hands and a trolley',
};
const weight = (g: number): string => (g < 1000 ? `${g} g` : `${(g / 1000).toFixed(1)} kg`);

/** Whether everything goes into the container at once; nothing to say of a bag, which gives. */
function Packed({ kit, materials }: { kit: Kit; materials: readonly MaterialRow[] }) {
  const container = materials.find((m) => m.id === kit.container?.id);
  const parts = kit.parts.flatMap((p) => {
    const m = materials.find((x) => x.id === p.materialId);
    return m && m.id !== container?.id ? [{ material: asMeasured(m), count: p.due }] : [];
  });
  const request = container?.form === 'container' ? packingOf(asMeasured(container), parts) : null;
  const packing = useQuery({
    queryKey: ['packing', request],
    queryFn: () => api<PackingAnswer>('POST', '/compute/packing', request),
    enabled: request !== null,
    staleTime: Infinity,
  });
  if (!request) return null;
  if (!packing.data) return <Quiet>{packing.error ? 'Not packed.' : 'Packing …'}</Quiet>;
  const { fits } = packing.data;
  return (
    <Verdict
      kind={fits === true ? 'clear' : fits === false ? 'stop' : 'care'}
      word={
        fits === true
          ? `Goes into ${kit.container!.name}`
          : fits === false
            ? `Does not go into ${kit.container!.name}`
            : `May not go into ${kit.container!.name}`
      }
    />
  );
}

function KitCard({
  kit,
  materials,
  onChange,
}: {
  kit: Kit;
  materials: readonly MaterialRow[];
  onChange(): void;
}) {
  const [copies, setCopies] = useState(1);
  const [made, setMade] = useState<Build | null>(null);
  const build = useChange(() =>
    api<Build>('POST', `/kits/${kit.id}/build`, { version: kit.version, copies }),
  );
  const remove = useChange(() => api<void>('DELETE', `/kits/${kit.id}`));
  return (
    <Panel as="section" aria-label={kit.name}>
      <Spread>
        <h2>{kit.name}</h2>
        <Row>
          {kit.made > 0 && (
            <FileLink small href={`/api/kits/${kit.id}/labels.pdf`}>
              Labels
            </FileLink>
          )}
          {!kit.problem && (
            <FileLink small href={`/api/kits/${kit.id}/file`}>
              Save as file
            </FileLink>
          )}
          <Button small plain onPress={onChange}>
            Change
          </Button>
          {kit.made === 0 && (
            <Button small plain isDisabled={remove.isPending} onPress={() => remove.mutate(undefined)}>
              Delete
            </Button>
          )}
        </Row>
      </Spread>
      <Quiet>{kit.designs.map((d) => d.name).join(' · ')}</Quiet>
      {kit.problem ? (
        <Notice tone="stop">{kit.problem}</Notice>
      ) : (
        <>
          <Parts aria-label={`What is counted of ${kit.name}`}>
            {kit.parts.map((p) => (
              <li key={`${p.materialId ?? ''}${p.name}`}>
                <b>{p.due} ×</b>
                <span>
                  {p.name}
                  {p.for.length > 1 && <small>shared by {p.for.join(' and ')}</small>}
                </span>
              </li>
            ))}
          </Parts>
          <Figures>
            <span>
              {kit.unweighed.length === 0 ? (
                <>
                  <b>{weight(kit.mass)}</b>, {CARRIED[kit.carriedBy]}
                </>
              ) : (
                <>
                  <b>{weight(kit.mass)} or more</b>
                  <Quiet>: not weighed are {kit.unweighed.map((n) => n.toLowerCase()).join('; ')}</Quiet>
                </>
              )}
            </span>
            <Packed kit={kit} materials={materials} />
          </Figures>
          <Spread style={{ marginTop: 10 }}>
            <span>
              <b>{kitsWords(kit.kitsNow)} from free stock</b>
              {kit.first && <Quiet>, then no more {kit.first.toLowerCase()}</Quiet>}
              {kit.made > 0 && <Quiet>. {kit.made} made.</Quiet>}
            </span>
            <Row>
              <Stepper
                label={`Kits of ${kit.name}`}
                value={copies}
                min={1}
                max={Math.max(1, kit.kitsNow)}
                onChange={setCopies}
              />
              <Button
                small
                isDisabled={build.isPending || kit.kitsNow < copies}
                onPress={() => build.mutate(undefined, { onSuccess: setMade })}
              >
                Mark as made
              </Button>
            </Row>
          </Spread>
        </>
      )}
      {build.error && <Notice tone="stop">{words(build.error)}</Notice>}
      {remove.error && <Notice tone="stop">{words(remove.error)}</Notice>}
      {made && (
        <Notice tone="clear">Made and on the rail: {made.copies.map((c) => c.label).join(', ')}.</Notice>
      )}
    </Panel>
  );
}

/** A kit's file from another place: what it brings is seen first, then it is opened. */
function OpenKit() {
  const [file, setFile] = useState<unknown>(null);
  const [look, setLook] = useState<KitFileLook | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const hasNearest = look?.designs.some((d) => d.nearest.length > 0) ?? false;
  const add = useChange(() => api<Kit>('POST', '/kits/file', { file, takeNearest: hasNearest }));
  const close = (): void => {
    setLook(null);
    setProblem(null);
    add.reset();
  };
  const take = async (picked: File | undefined): Promise<void> => {
    if (!picked) return;
    close();
    try {
      const parsed = await readFile(picked);
      setFile(parsed);
      setLook(await api<KitFileLook>('POST', '/kits/file/look', { file: parsed }));
    } catch (e) {
      setProblem(words(e));
    }
  };
  const materials = look?.designs.flatMap((d) => d.materials) ?? [];
  const fresh = [...new Set(materials.filter((m) => m.id === null).map((m) => m.name))];
  return (
    <>
      <PickFile label="Kit file" onPick={(f) => void take(f)}>
        Open a kit’s file
      </PickFile>
      <Dialog
        title={look?.name ?? 'It cannot be opened'}
        isOpen={look !== null || problem !== null}
        onClose={close}
      >
        <Stack $gap={12}>
          {problem && <Notice tone="stop">{problem}</Notice>}
          {look?.designs.map((d) => (
            <div key={d.name}>
              <b>{d.name}</b>{' '}
              <Quiet>
                {d.patternName}: {d.title}
              </Quiet>
              {d.nearest.map((n) => (
                <Notice key={n.dial} tone="care">
                  {n.dial} {n.why}. Taken: {JSON.stringify(n.is) ?? 'left out'}.
                </Notice>
              ))}
            </div>
          ))}
          {look && (
            <p>
              {fresh.length === 0
                ? 'All its materials are on your shelf.'
                : `Will be added to your shelf, none kept: ${fresh.join(', ')}.`}
            </p>
          )}
          {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
          <Row>
            {look && (
              <Button isDisabled={add.isPending} onPress={() => add.mutate(undefined, { onSuccess: close })}>
                {hasNearest ? 'Open with the nearest' : 'Open it'}
              </Button>
            )}
            <Button plain onPress={close}>
              {look ? 'Leave it' : 'Close'}
            </Button>
          </Row>
        </Stack>
      </Dialog>
    </>
  );
}

/** Kits of several designs: what is lent as one, with what its designs share in it once. */
export function Component() {
  const { data: kits, error } = useKits();
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [open, setOpen] = useState<Kit | null>(null);
  const [name, setName] = useState('');
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [container, setContainer] = useState<string | null>(null);
  const fill = (kit: Kit | null): void => {
    setOpen(kit);
    setName(kit?.name ?? '');
    setPicked(kit?.designs.map((d) => String(d.id)) ?? []);
    setContainer(kit?.container ? String(kit.container.id) : null);
  };
  const save = useChange(() => {
    if (picked.length === 0) throw new Error('Choose at least one design.');
    const input: KitInput = {
      name,
      designs: picked.map(Number),
      container: container === null ? null : Number(container),
    };
    return open
      ? api<Kit>('PUT', `/kits/${open.id}`, { ...input, version: open.version })
      : api<Kit>('POST', '/kits', input);
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!kits || !designs || !materials || !place) return <p role="status">Loading the kits …</p>;
  const holds = materials.filter(
    (m) => m.form === 'container' || (m.form === 'consumable' && m.materialClass === 'fabric'),
  );
  return (
    <Grid>
      <Heading over={`${place.name} · lent as one`} title="Which designs go out together?">
        <OpenKit />
        <ButtonLink plain to="/lend">
          Back to the rail
        </ButtonLink>
      </Heading>
      <Stack $gap={12}>
        {kits.length === 0 && (
          <Notice tone="care">
            No kit of several designs yet. Choose two or three quiet ones that share their pieces: a grab bag
            for waiting rooms.
          </Notice>
        )}
        {kits.map((k) => (
          <KitCard key={`${k.id} ${k.version}`} kit={k} materials={materials} onChange={() => fill(k)} />
        ))}
      </Stack>
      <aside>
        <Panel as="div">
          <Form onSubmit={() => save.mutate(undefined, { onSuccess: () => fill(null) })}>
            <Stack $gap={10}>
              <h2>{open ? `Change ${open.name}` : 'A new kit'}</h2>
              <TextField label="Name" value={name} onChange={setName} />
              <ChoiceOfMany
                label="Designs"
                value={picked}
                onChange={setPicked}
                options={designs.map((d) => ({ value: String(d.id), label: d.name }))}
              />
              <Select
                label="Packed into"
                value={container}
                onChange={(v) => setContainer(v === '' ? null : v)}
                placeholder="What its designs bring"
                options={[
                  { value: '', label: 'What its designs bring' },
                  ...holds.map((m) => ({ value: String(m.id), label: m.name, note: `${m.kept} kept` })),
                ]}
              />
              {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
              <Row>
                <Button type="submit" isDisabled={save.isPending}>
                  {open ? 'Save it' : 'Put it together'}
                </Button>
                {open && (
                  <Button plain onPress={() => fill(null)}>
                    Leave it
                  </Button>
                )}
              </Row>
            </Stack>
          </Form>
        </Panel>
      </aside>
    </Grid>
  );
}
