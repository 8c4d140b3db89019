import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { PhotoAnswer, StencilInput } from '../../../contract/photo.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { formatLength } from '../../../core/measure/length.ts';
import { alike, type Alike } from '../../../core/photo/alike.ts';
import { sizesSeen } from '../../../core/photo/kinds.ts';
import type { FormName } from '../../../core/photo/forms.ts';
import { traced } from '../../../core/photo/trace.ts';
import { fetchFile, words } from '../../data/api.ts';
import { say } from '../../parts/messages.ts';
import { useMaterials, usePlace } from '../../data/queries.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { PhotoPicture } from '../../photo/PhotoPicture.tsx';
import { TakePhoto } from '../../photo/TakePhoto.tsx';
import { useTaken } from '../../photo/taken.ts';
import type { FindBegun } from './LookOver.tsx';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
  gap: 12px;
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Swatch = styled.span`
  width: 22px;
  height: 22px;
  border-radius: 50%;
  border: 1px solid var(--ink);
  flex: none;
`;
const Kind = styled.li`
  display: grid;
  gap: 6px;
  padding: 10px 0;
  border-top: 1px dashed var(--seam);
  &:first-child {
    border-top: 0;
  }
  h2 {
    font-size: 17px;
  }
`;

const FORM: Readonly<Record<FormName, string>> = {
  disc: text('formDisc'),
  ring: text('formRing'),
  ball: text('formBall'),
  egg: text('formEgg'),
  rod: text('formRod'),
  square: text('formSquare'),
  rectangle: text('formRectangle'),
  triangle: text('formTriangle'),
  other: text('formOther'),
};
const SecondPhoto = lazy(async () => ({ default: (await import('./SecondPhoto.tsx')).SecondPhoto }));
/** What a kind is, where it is none of those that are known. */
const NEW = 'new';

const HEIGHT = {
  given: 'heightSaid',
  kind: 'heightOfKind',
  outline: 'heightSeen',
  second: 'heightOfTwo',
} as const;

/** One kind of thing in the photo: what it is, how many there are, and on with it to the shelf. */
function SeenKind({ answer, group }: { answer: PhotoAnswer; group: Alike }) {
  const { data: materials = [] } = useMaterials();
  const { data: place } = usePlace();
  const go = useNavigate();
  const isDone = useTaken((s) => s.taken?.done.has(group.things.join(' ')) ?? false);
  const things = group.things.map((i) => answer.things[i]!);
  const first = things[0]!;
  const likely = useMemo(() => {
    const best = new Map<string, { name: string; score: number }>();
    for (const t of group.things.map((i) => answer.things[i]!))
      for (const n of t.nearest) {
        const key = n.material === null ? `c:${n.catalogue}` : `m:${n.material}`;
        if ((best.get(key)?.score ?? 0) < n.score) best.set(key, n);
      }
    return [...best].sort((a, b) => b[1].score - a[1].score);
  }, [answer, group]);
  const [kind, setKind] = useState(likely[0]?.[0] ?? NEW);
  const [count, setCount] = useState(group.things.length);
  const print = useMutation({
    mutationFn: (thing: PhotoAnswer['things'][number]) => {
      const called =
        kind === NEW ? FORM[thing.form] : (likely.find(([value]) => value === kind)?.[1].name ?? '');
      const { outline, longest } = traced(thing, called);
      const input: StencilInput = { outline, longest };
      return fetchFile('/photo/stencil.pdf', input, 'stencil.pdf');
    },
    onSuccess: () => say(text('outlinePrinted')),
  });
  if (!place) return null;
  const unit = place.lengthUnit;
  const mm = (v: number): string => formatLength(v, unit);
  const size =
    Math.abs(group.long - group.short) < 0.6
      ? text('about1', { long: mm((group.long + group.short) / 2) })
      : text('about2', { long: mm(group.long), short: mm(group.short) });
  const unsure = Math.max(...things.map((t) => t.uncertainty));
  const onward = (): void => {
    const measured = things.every((t) => t.heightFrom === 'outline' || t.heightFrom === 'second')
      ? group
      : { ...group, height: null };
    if (kind === NEW) {
      const is = first.form === 'disc' || first.form === 'ring' ? 'disc' : 'piece';
      return void go(`/gather?material=new&form=${is}&long=${group.long}&short=${group.short}&kept=${count}`);
    }
    const [of, key] = [kind.slice(0, 1), kind.slice(2)];
    const entry = of === 'c' ? entryOf(key) : undefined;
    const material = entry ? asMaterial(entry) : materials.find((m) => String(m.id) === key);
    const begun: FindBegun = {
      kind: of === 'c' ? { catalogue: key } : { materialId: Number(key) },
      quantity: count,
      sizes: material ? sizesSeen(material, measured) : {},
      ofPhoto: group.things.join(' '),
    };
    void go('/gather/look-over', { state: { begun } });
  };
  return (
    <Kind>
      <Spread>
        <Row>
          <Swatch style={{ background: first.colour }} />
          <h2>{text('countOf', { n: group.things.length, form: FORM[first.form], size })}</h2>
        </Row>
        <Quiet>{text('numbers', { numbers: group.things.map((i) => i + 1).join(', ') })}</Quiet>
      </Spread>
      <Quiet>
        {first.height === null
          ? text('heightNotKnown')
          : text(HEIGHT[first.heightFrom ?? 'given'], {
              height: mm(first.height),
            })}{' '}
        {text('toWithin', { within: mm(Math.max(0.1, Math.round(unsure * 20) / 10)) })}
      </Quiet>
      <Row>
        <div style={{ flex: '1 1 190px' }}>
          <Select
            label={text('whatIsIt')}
            value={kind}
            onChange={setKind}
            options={[
              ...likely.map(([value, n]) => ({ value, label: n.name })),
              { value: NEW, label: text('anotherKind') },
            ]}
          />
        </div>
        <Stepper label={text('howManyThere')} value={count} min={1} max={999} onChange={setCount} />
        <Button plain onPress={() => print.mutate(first)} isDisabled={print.isPending}>
          {text('printOutline')}
        </Button>
        {isDone ? (
          <Quiet role="status">{text('isSaved')}</Quiet>
        ) : (
          <Button onPress={onward}>{text('onToShelf')}</Button>
        )}
      </Row>
      {print.error && <Notice tone="stop">{words(print.error)}</Notice>}
    </Kind>
  );
}

/** Finds on a printed sheet, measured and told apart by a photo. */
export function Component() {
  const { taken, take, mend, drop } = useTaken();
  const [isSecond, setSecond] = useState(false);
  const groups = useMemo(() => (taken ? alike(taken.answer.things) : []), [taken]);
  if (!taken)
    return (
      <Stack>
        <Heading over={text('photoOver')} title={text('photoTitle')} />
        <Panel style={{ maxWidth: 720 }}>
          <TakePhoto<PhotoAnswer> path="/photo/measure?heights=auto" onAnswer={take} />
        </Panel>
      </Stack>
    );
  const { answer, src } = taken;
  return (
    <Stack>
      <Heading
        over={text('photoTaken', {
          paper: answer.sheet.paper,
          above: Math.round(answer.camera.above / 10),
          tilt: Math.round(answer.camera.tilt),
        })}
        title={text('thingsSeen', { things: answer.things.length, kinds: groups.length })}
      >
        <Button plain onPress={() => setSecond(true)}>
          {text('secondPhoto')}
        </Button>
        <Button plain onPress={drop}>
          {text('anotherPhoto')}
        </Button>
        <ButtonLink plain to="/gather">
          {text('shelf')}
        </ButtonLink>
      </Heading>
      {isSecond && (
        <Suspense fallback={null}>
          <SecondPhoto first={answer} onMended={mend} onClose={() => setSecond(false)} />
        </Suspense>
      )}
      <Grid>
        <Panel>
          <Stack $gap={10}>
            <PhotoPicture src={src} answer={answer} />
            {answer.warnings.length > 0 && (
              <Notice tone="care">
                {answer.warnings.map((w) => (
                  <div key={w}>{w}</div>
                ))}
              </Notice>
            )}
            <details>
              <summary>{text('howMeasured')}</summary>
              <Quiet>{text('howMeasuredWhy', { scale: Math.round(answer.sheet.scale * 1000) / 10 })}</Quiet>
            </details>
          </Stack>
        </Panel>
        <Panel>
          <ul aria-label={text('kindsInPhoto')}>
            {groups.map((g) => (
              <SeenKind key={`${src} ${g.things.join(' ')}`} answer={answer} group={g} />
            ))}
          </ul>
          {groups.length === 0 && <p>{text('nothingOnSheet')}</p>}
        </Panel>
      </Grid>
    </Stack>
  );
}
