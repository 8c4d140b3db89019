import { useMutation } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { useEffect, useMemo, useState } from 'react';
import type { PhotoAnswer } from '../../contract/photo.ts';
import { formatLength, type LengthUnit } from '../../core/measure/length.ts';
import type { OutlineDial } from '../../core/outline/outline.ts';
import { traced, type Traced as Trace } from '../../core/photo/trace.ts';
import { words } from '../data/api.ts';
import { sendFile } from '../data/sendFile.ts';
import { Button } from '../parts/Button.tsx';
import { Choice } from '../parts/Choice.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { TextField } from '../parts/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../parts/Panel.tsx';
import { Select } from '../parts/Select.tsx';
import { LengthField } from '../parts/TypedField.tsx';
import { Arrived } from './Arrived.tsx';
import { PhotoPicture } from './PhotoPicture.tsx';
import { TakePhoto } from './TakePhoto.tsx';
import { Traced } from './Traced.tsx';
import { text } from './text.ts';

/** Card cut to shapes, as it was never photographed. */
const EXAMPLES = ['/examples/outlines.jpg'];
type Own = Extract<OutlineDial, { kind: 'own' }>;

/** A photo in a dialog leaves room for what is done with it. */
export const Beside = styled.div`
  width: min(100%, 500px);
  margin: 0 auto;
`;

/** A photo of this tab, let go when it is not shown any more. */
export function usePhotoUrl(photo: Blob | null): string | null {
  const src = useMemo(() => photo && URL.createObjectURL(photo), [photo]);
  useEffect(() => () => void (src && URL.revokeObjectURL(src)), [src]);
  return src;
}

function Picked({
  answer,
  around,
  range,
  unit,
  thing,
  onTrace,
}: {
  answer: PhotoAnswer;
  around: number;
  range: readonly [number, number] | null;
  unit: LengthUnit;
  thing: number;
  onTrace(outline: Own, longest: number): void;
}) {
  const [name, setName] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(true);
  const seen = answer.things[thing]!;
  const called = name ?? text('tracedShape');
  const found = ((): Trace | string => {
    try {
      return traced(isOpen ? seen : { ...seen, holes: [] }, called, around);
    } catch (e) {
      return words(e);
    }
  })();
  if (typeof found === 'string') return <Notice tone="stop">{text('noOutline', { why: found })}</Notice>;
  const outline = found.outline as Own;
  const [least, most] = range ?? [0, Infinity];
  const longest = Math.min(most, Math.max(least, found.longest));
  const long = formatLength(found.longest, unit);
  return (
    <Stack $gap={10}>
      <Traced outline={outline} label={text('asCut', { name: called })} />
      <p role="status">
        {longest === found.longest
          ? around > 0
            ? text('largerAround', { long, around: formatLength(around, unit) })
            : text(seen.height === null ? 'flatSize' : 'trueSize', { long })
          : text(longest > found.longest ? 'madeLarger' : 'madeSmaller', {
              long,
              now: formatLength(longest, unit),
            })}
      </p>
      {seen.holes.length > 0 && around === 0 && (
        <Choice
          label={text('openInside', { holes: seen.holes.length })}
          value={isOpen ? 'yes' : 'no'}
          onChange={(v) => setOpen(v === 'yes')}
          options={[
            { value: 'yes', label: text('cutOut') },
            { value: 'no', label: text('leaveClosed') },
          ]}
        />
      )}
      {isOpen && around === 0 && found.left > 0 && (
        <Quiet>{text('tooSmallHoles', { left: found.left })}</Quiet>
      )}
      {around > 0 && seen.holes.length > 0 && <Quiet>{text('openingHasNone')}</Quiet>}
      <Row>
        <div style={{ flex: '1 1 200px' }}>
          <TextField label={text('called')} value={called} onChange={setName} />
        </div>
        <Button onPress={() => onTrace(outline, longest)}>{text('useOutline')}</Button>
      </Row>
    </Stack>
  );
}

/** A thing on the sheet becomes an outline of one’s own, at its size. */
export function TracePhoto({
  around,
  range,
  unit,
  onTrace,
  onClose,
}: {
  /** Larger all round by this, mm. */
  around: number;
  /** What the design’s size goes between, mm. */
  range: readonly [number, number] | null;
  unit: LengthUnit;
  onTrace(outline: Own, longest: number): void;
  onClose(): void;
}) {
  const [taken, setTaken] = useState<{ answer: PhotoAnswer; photo: Blob; thick: number | null } | null>(null);
  const [thing, setThing] = useState(0);
  const [thick, setThick] = useState<number | null>(null);
  const take = (answer: PhotoAnswer, photo: Blob): void => {
    setTaken({ answer, photo, thick });
    const areas = answer.things.map((t) => t.area);
    setThing(Math.max(0, areas.indexOf(Math.max(...areas))));
  };
  const path = thick === null ? '/photo/measure?heights=auto' : `/photo/measure?height=${thick}`;
  const again = useMutation({
    mutationFn: (photo: Blob) => sendFile<PhotoAnswer>(path, photo, { type: photo.type }),
    onSuccess: take,
  });
  // What is said of other things is of no use here.
  const minded = (taken?.answer.warnings ?? []).filter((_, i) => {
    const of = taken!.answer.about[i] ?? null;
    return of === null || of === thing;
  });
  const thickness = (
    <div style={{ width: 160 }}>
      <LengthField label={text('howThick')} mm={thick} unit={unit} onChange={setThick} />
    </div>
  );
  const src = usePhotoUrl(taken?.photo ?? null);
  return (
    <Dialog title={text('traceTitle')} isOpen onClose={onClose} wide>
      {!taken ? (
        <Stack $gap={10}>
          <TakePhoto<PhotoAnswer> path={path} how={text('layOne')} examples={EXAMPLES} onAnswer={take} />
          {thickness}
          <Quiet>{text('thickWhy')}</Quiet>
        </Stack>
      ) : (
        <Arrived>
          {src && (
            <Beside>
              <PhotoPicture
                src={src}
                answer={taken.answer}
                markOf={(i) => (i === thing ? 'picked' : 'plain')}
                onPick={setThing}
              />
            </Beside>
          )}
          {minded.length > 0 && (
            <Notice tone="care">
              {minded.map((w) => (
                <div key={w}>{w}</div>
              ))}
            </Notice>
          )}
          {taken.answer.things.length > 0 && (
            <>
              <Row>
                <div style={{ flex: '1 1 220px' }}>
                  <Select
                    label={text('whichThing')}
                    value={String(thing)}
                    onChange={(v) => setThing(Number(v))}
                    options={taken.answer.things.map((t, i) => ({
                      value: String(i),
                      label: text('thingSize', {
                        n: i + 1,
                        long: formatLength(t.long, unit),
                        short: formatLength(t.short, unit),
                      }),
                    }))}
                  />
                </div>
                {thickness}
                {thick !== taken.thick && (
                  <Button plain isDisabled={again.isPending} onPress={() => again.mutate(taken.photo)}>
                    {again.isPending ? text('measuring') : text('measureAgain')}
                  </Button>
                )}
                <Button plain onPress={() => setTaken(null)}>
                  {text('anotherPhoto')}
                </Button>
              </Row>
              {again.error && <Notice tone="stop">{words(again.error)}</Notice>}
              <Picked
                key={`${thing} ${taken.answer.things[thing]?.long}`}
                answer={taken.answer}
                around={around}
                range={range}
                unit={unit}
                thing={thing}
                onTrace={onTrace}
              />
            </>
          )}
          {taken.answer.things.length === 0 && (
            <Row>
              <Button onPress={() => setTaken(null)}>{text('anotherPhoto')}</Button>
            </Row>
          )}
        </Arrived>
      )}
      <Row style={{ marginTop: 10 }}>
        <Button plain onPress={onClose}>
          {text('leave')}
        </Button>
      </Row>
    </Dialog>
  );
}
