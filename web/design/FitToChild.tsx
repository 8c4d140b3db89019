import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Child, ChildInput } from '../../contract/children.ts';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { FINGERS, SIDES, type Finger, type Hand } from '../../core/child/hand.ts';
import { PINCH_FROM, usualHand } from '../../core/child/usualHand.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import { forceWords } from '../../core/measure/force.ts';
import { formatLength, type LengthUnit } from '../../core/measure/length.ts';
import { factValue } from '../../core/patterns/factWords.ts';
import type { AnyDials, OpenPattern } from '../../core/patterns/index.ts';
import { api, ApiError, words } from '../data/api.ts';
import { useChange, useChildren } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Choice } from '../parts/Choice.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { TextField } from '../parts/Field.tsx';
import { ForceField, LengthField } from '../parts/TypedField.tsx';
import { Form } from '../parts/Form.tsx';
import { Notice, Quiet, Row, Stack } from '../parts/Panel.tsx';
import { Select } from '../parts/Select.tsx';
import { atOf } from './derived.ts';
import { HowToMeasure } from './HandMeasures.tsx';
import { useOpenDesign } from './store.ts';
import { text } from './text.ts';

const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  align-items: end;
  @media (max-width: 560px) {
    grid-template-columns: 1fr 1fr;
  }
`;
const NEW = text('new');
const UNKNOWN: Hand = { side: 'not settled', oneHanded: false };
const LENGTHS = [
  ['span', text('handSpan')],
  ['breadth', text('acrossKnuckles')],
  ['opening', text('thumbFingerOpen')],
  ['finger', text('roundFirstFinger')],
  ['reach', text('reachSitting')],
  ['standing', text('heightStanding')],
] as const;
const MEASURES = [...LENGTHS, ['fingers', text('fingerLengths')], ['force', text('pinch')]] as const;
const HandPhoto = lazy(async () => ({ default: (await import('../photo/HandPhoto.tsx')).HandPhoto }));

/** A design of one child's own: its hand as measured, and a copy of the design whose dials start from it. */
export function FitToChild({
  design,
  materials,
  pattern,
  unit,
  onClose,
}: {
  design: Design;
  materials: readonly MaterialRow[];
  pattern: OpenPattern;
  unit: LengthUnit;
  onClose(): void;
}) {
  const { data: children } = useChildren();
  const navigate = useNavigate();
  const [picked, setPicked] = useState<string>(design.child ?? NEW);
  const [code, setCode] = useState('');
  const [isByPhoto, setByPhoto] = useState(false);
  const [draft, setDraft] = useState<{ hand: Hand; likes: string } | null>(null);
  const known = children?.find((c) => c.code === picked);
  const { hand, likes } = draft ?? known ?? { hand: UNKNOWN, likes: '' };
  const set = (part: Partial<Hand>): void => {
    const next = Object.fromEntries(
      Object.entries({ ...hand, ...part }).filter(([, v]) => v !== undefined),
    ) as Hand;
    setDraft({ hand: next, likes });
  };
  const setFinger = (finger: Finger, v: number | null): void => {
    const kept = { ...hand.fingers, [finger]: v ?? undefined };
    const known = Object.entries(kept).filter(([, length]) => length !== undefined);
    set({ fingers: known.length === 0 ? undefined : Object.fromEntries(known) });
  };
  const usual = usualHand(design.ageFrom);
  const name = picked === NEW ? code.trim() : picked;
  const fitted = ((): ReturnType<OpenPattern['forHand']> | { problem: string } => {
    try {
      return pattern.forHand(atOf(design, materials), hand);
    } catch (e) {
      return { problem: words(e) };
    }
  })();
  // A design that is this child's already takes the new measures; any other is copied.
  const isOwn = design.child === name && name !== '';
  const start = useChange(async (dials: AnyDials) => {
    if (name === '') throw new Error(text('giveChildCodeName'));
    const input: ChildInput = { hand, likes, ...(known ? { version: known.version } : {}) };
    if (!known || draft) await api<Child>('PUT', `/children/${encodeURIComponent(name)}`, input);
    if (isOwn) {
      useOpenDesign.getState().change({ dials });
      return null;
    }
    await useOpenDesign.getState().flush();
    const { id: _, version: __, made: ___, ...general } = design;
    return api<Design>('POST', '/designs', {
      ...general,
      name: `${design.name.slice(0, 70)}, ${name}`.slice(0, 80),
      ownName: true,
      child: name,
      dials,
      copies: 1,
    });
  });
  const errors =
    start.error instanceof ApiError
      ? Object.fromEntries(start.error.problem.errors.map((e) => [e.path.replace('hand.', ''), e.message]))
      : {};
  return (
    <Dialog title={text('fitChild')} isOpen onClose={onClose} wide>
      <Form
        onSubmit={() =>
          'dials' in fitted &&
          start.mutate(fitted.dials, {
            onSuccess: (made) => {
              onClose();
              if (made) void navigate(`/shape/${made.id}`);
            },
          })
        }
      >
        <Stack $gap={12}>
          <Row>
            <Select
              label={text('child2')}
              value={picked}
              onChange={(v) => {
                setPicked(v);
                setDraft(null);
              }}
              options={[
                ...(children ?? []).map((c) => ({ value: c.code, label: c.code })),
                { value: NEW, label: text('child3') },
              ]}
            />
            {picked === NEW && (
              <TextField label={text('codeName')} value={code} onChange={setCode} required />
            )}
          </Row>
          <Quiet>{text('madeUpCodeNever')}</Quiet>
          {isByPhoto ? (
            <Suspense fallback={null}>
              <HandPhoto
                unit={unit}
                onClose={() => setByPhoto(false)}
                onHand={(part) => {
                  set(part);
                  setByPhoto(false);
                }}
              />
            </Suspense>
          ) : (
            <Row>
              <Button plain small onPress={() => setByPhoto(true)}>
                {text('measureByPhoto')}
              </Button>
            </Row>
          )}
          <HowToMeasure labels={MEASURES} />
          <Three>
            {LENGTHS.map(([key, label]) => (
              <LengthField
                key={key}
                label={label}
                mm={hand[key] ?? null}
                unit={unit}
                error={errors[key]}
                onChange={(v) => set({ [key]: v ?? undefined })}
              />
            ))}
            <ForceField
              label={text('pinch')}
              newton={hand.force ?? null}
              error={errors['force']}
              onChange={(n) => set({ force: n ?? undefined })}
            />
          </Three>
          <details open={hand.fingers !== undefined}>
            <summary>{text('fingerLengths')}</summary>
            <Three style={{ marginTop: 8 }}>
              {FINGERS.map((f) => (
                <LengthField
                  key={f}
                  label={text(`finger_${f}`)}
                  mm={hand.fingers?.[f] ?? null}
                  unit={unit}
                  error={errors[`fingers.${f}`]}
                  onChange={(v) => setFinger(f, v)}
                />
              ))}
            </Three>
          </details>
          <Quiet>
            {text(design.ageFrom < PINCH_FROM ? 'usualHandYoung' : 'usualHand', {
              age: formatAges(design.ageFrom, design.ageFrom),
              span: formatLength(usual.span, unit),
              force: forceWords(usual.force),
            })}
          </Quiet>
          <Choice
            label={text('side')}
            value={hand.side}
            onChange={(v) => set({ side: v as Hand['side'] })}
            options={SIDES.map((s) => ({ value: s, label: s[0]!.toUpperCase() + s.slice(1) }))}
          />
          <Choice
            label={text('works')}
            value={hand.oneHanded ? 'one' : 'both'}
            onChange={(v) => set({ oneHanded: v === 'one' })}
            options={[
              { value: 'both', label: text('bothHands') },
              { value: 'one', label: text('oneHand') },
            ]}
          />
          <TextField label={text('likes')} value={likes} onChange={(l) => setDraft({ hand, likes: l })} />
          {'problem' in fitted ? (
            <Notice tone="stop">{fitted.problem}</Notice>
          ) : fitted.differs.length === 0 ? (
            <Quiet>{text('theseMeasuresDialsStay')}</Quiet>
          ) : (
            <Notice tone="clear">
              {text('dialsStartFrom', {
                differs: fitted.differs.map((f) => `${f.label} ${factValue(f, unit)}`).join(', '),
              })}
            </Notice>
          )}
          {start.error && <Notice tone="stop">{words(start.error)}</Notice>}
          <Row>
            <Button type="submit" isDisabled={start.isPending || 'problem' in fitted}>
              {isOwn
                ? text('takeTheseMeasures')
                : name === ''
                  ? text('startDesignThisChild')
                  : text('startDesign', { name })}
            </Button>
            <Button plain onPress={onClose}>
              {text('leave')}
            </Button>
          </Row>
          {!isOwn && <Quiet>{text('staysAs', { design: design.name })}</Quiet>}
        </Stack>
      </Form>
    </Dialog>
  );
}
