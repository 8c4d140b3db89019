import { useState } from 'react';
import { styled } from 'styled-components';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { panelSize, type MaterialInput, type Sizes } from '../../../core/materials/material.ts';
import { materialInput } from '../../../core/materials/materialInput.ts';
import { api, ApiError, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button } from '../../parts/Button.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { say } from '../../parts/messages.ts';
import { Form } from '../../parts/Form.tsx';
import type { Draft } from './draft.ts';
import { askedSizes, MaterialFields, traitsOf } from './MaterialFields.tsx';
import { Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Saving stays in sight however long the form is. */
const Foot = styled(Row)`
  position: sticky;
  bottom: -1px;
  background: var(--paper);
  padding: 10px 0 12px;
  margin-bottom: -14px;
  border-top: 1px solid var(--seam);
  z-index: 1;
`;
const blank: Draft = {
  name: '',
  form: 'disc',
  sizes: {},
  unit: 'each',
  kept: 1,
  materialClass: 'plastic',
  give: 0,
  hazards: [],
  colour: '#B0451A',
};

/** One material: its form, measured sizes, count. New, or as kept. */
export function MaterialForm({
  material,
  called = '',
  seen = {},
  unit,
  onDone,
}: {
  material: MaterialRow | null;
  /** What a new one is called, as far as somebody typed it already. */
  called?: string;
  /** What is known of a new one besides, as from a photo. */
  seen?: Partial<Draft>;
  unit: LengthUnit;
  onDone(id: number | null): void;
}) {
  const [draft, setDraft] = useState<Draft>(() => {
    if (!material) return { ...blank, ...seen, name: called };
    const { id: _, version: __, waiting: ___, measured: ____, clean: _____, ...rest } = material;
    return rest;
  });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [saved, setSaved] = useState<string | null>(null);
  /** What the desk holds, when another screen was first. */
  const [theirs, setTheirs] = useState<MaterialRow | null>(null);
  const [deleting, setDeleting] = useState(false);
  const [by, setBy] = useState<number | null>(1);
  const [version, setVersion] = useState(material?.version ?? 0);
  const save = useChange(({ body: { kept, ...body }, over }: { body: MaterialInput; over: number }) =>
    material
      ? api<MaterialRow>('PUT', `/materials/${material.id}`, { ...body, version: over })
      : api<MaterialRow>('POST', '/materials', { ...body, kept }),
  );
  const stock = useChange((n: number) =>
    api<MaterialRow>('POST', `/materials/${material!.id}/stock`, { by: n }),
  );
  const remove = useChange(() => api<void>('DELETE', `/materials/${material!.id}`));
  const set = (part: Partial<Draft>): void => {
    setDraft((d) => ({ ...d, ...part }));
    setSaved(null);
  };
  const asked = askedSizes(draft);
  const tell = (e: unknown): void => {
    if (e instanceof ApiError && e.problem.status === 409 && e.problem.current)
      setTheirs(e.problem.current as MaterialRow);
    if (e instanceof ApiError)
      setErrors(Object.fromEntries(e.problem.errors.map((x) => [x.path, x.message])));
    setProblem(words(e));
  };
  const submit = async (over = version): Promise<void> => {
    setProblem(null);
    setTheirs(null);
    // Sizes of another form must not travel along.
    const sizes = Object.fromEntries(
      asked.flatMap((s) => (draft.sizes[s] === undefined ? [] : [[s, draft.sizes[s]]])),
    ) as Sizes;
    const places = (draft.keepOut ?? []).filter((k) => panelSize(draft, k.panel) !== null);
    const read = materialInput.safeParse({
      ...draft,
      solid: draft.form === 'piece' ? draft.solid : undefined,
      sizes,
      traits: draft.traits || !material ? [...traitsOf(draft, !material)] : undefined,
      keepOut: places.length > 0 ? places : undefined,
      kept: draft.kept ?? undefined,
    });
    if (!read.success) {
      setErrors(Object.fromEntries(read.error.issues.map((i) => [i.path.join('.'), i.message])));
      setProblem(text('someFieldsMissingOr'));
      return;
    }
    setErrors({});
    try {
      const row = await save.mutateAsync({ body: read.data, over });
      setVersion(row.version);
      setSaved(material ? text('saved') : text('onShelf', { row: row.name }));
      if (!material) onDone(row.id);
    } catch (e) {
      tell(e);
    }
  };
  const changeStock = async (n: number): Promise<void> => {
    setProblem(null);
    try {
      const row = await stock.mutateAsync(n);
      setVersion(row.version);
      setDraft((d) => ({ ...d, kept: row.kept }));
      setSaved(
        n > 0 ? text('addedKept', { n, kept: row.kept }) : text('takenOutKept', { n: -n, kept: row.kept }),
      );
    } catch (e) {
      tell(e);
    }
  };
  const preview = materialInput.safeParse({
    ...draft,
    kept: draft.kept ?? 0,
    solid: draft.form === 'piece' ? draft.solid : undefined,
  });
  const mm = draft.unit === 'mm' ? text('mm') : '';
  return (
    <Panel as="div">
      <Form onSubmit={() => void submit()}>
        <Stack $gap={11}>
          <Spread>
            <h2>{material ? material.name : text('newFind')}</h2>
            {preview.success && <Picture material={{ ...preview.data }} size={48} />}
          </Spread>
          {material && (
            <>
              <Spread>
                <Quiet>
                  <b style={{ font: '800 26px/1 var(--display)', color: 'var(--ink)' }}>{draft.kept}</b>
                  {text('kept2', { mm })}
                </Quiet>
                <div style={{ width: 96 }}>
                  <CountField label={text('howMany')} value={by} onChange={setBy} />
                </div>
              </Spread>
              <Row>
                <Button small isDisabled={!by || stock.isPending} onPress={() => void changeStock(by!)}>
                  {text('addStock')}
                </Button>
                <Button
                  small
                  plain
                  isDisabled={!by || stock.isPending}
                  onPress={() => void changeStock(-by!)}
                >
                  {text('takeOut')}
                </Button>
              </Row>
              <Seam />
            </>
          )}
          <MaterialFields draft={draft} set={set} errors={errors} unit={unit} isNew={!material} />
          {problem && (
            <Notice tone="stop">
              {problem} {Object.entries(errors).map(([k, v]) => (k ? `${k}: ${v}. ` : ''))}
            </Notice>
          )}
          {theirs && (
            <Notice tone="care">
              <Stack $gap={8}>
                <span>{text('screenSavedMeanwhileKept', { theirs: theirs.name, kept: theirs.kept })}</span>
                <Row>
                  <Button small onPress={() => void submit(theirs.version)}>
                    {text('keepWhatHere')}
                  </Button>
                  <Button
                    small
                    plain
                    onPress={() => {
                      const {
                        id: _,
                        version: latest,
                        waiting: ___,
                        measured: ____,
                        clean: _____,
                        ...rest
                      } = theirs;
                      setDraft(rest);
                      setVersion(latest);
                      setTheirs(null);
                      setProblem(null);
                      setErrors({});
                    }}
                  >
                    {text('takeWhatThere')}
                  </Button>
                </Row>
              </Stack>
            </Notice>
          )}
          {saved && <Notice tone="clear">{saved}</Notice>}
          <Foot>
            <Button type="submit" isDisabled={save.isPending}>
              {material ? text('save') : text('addShelf')}
            </Button>
            {material && (
              <Button plain isDisabled={remove.isPending} onPress={() => setDeleting(true)}>
                {text('delete')}
              </Button>
            )}
          </Foot>
        </Stack>
      </Form>
      {material && (
        <Confirm
          title={text('delete2', { material: material.name })}
          words={text('thisDeletesKindMaterial')}
          yes={text('delete')}
          isOpen={deleting}
          isBusy={remove.isPending}
          onYes={() => {
            setDeleting(false);
            setProblem(null);
            remove.mutate(undefined, {
              onSuccess: () => {
                say(text('deleted', { material: material.name }));
                onDone(null);
              },
              onError: tell,
            });
          }}
          onNo={() => setDeleting(false)}
        />
      )}
    </Panel>
  );
}
