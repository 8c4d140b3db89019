import { useMemo, useRef, useState } from 'react';
import { styled } from 'styled-components';
import type { FindAnswer, FindInput } from '../../../contract/lots.ts';
import { look as lookSchema, lookOver, outcomeWords, type Look } from '../../../core/gather/lookOver.ts';
import { shortDay } from '../../../core/calendar/days.ts';
import type { Sizes } from '../../../core/materials/material.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useLots, useMaterials, usePlace } from '../../data/queries.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button } from '../../parts/Button.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form, stopsAtUnread } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { SewnButton } from '../../shell/Verdict.tsx';
import { candidatesOf, firstLook, type Candidate } from './candidates.ts';
import { MeasuredFields } from './MeasuredFields.tsx';
import { Pictures, Wish } from './Picks.tsx';
import { Questions, QUESTIONS, turned } from './Questions.tsx';
import { amount, sizeWords } from './words.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: 262px minmax(0, 1fr) 300px;
  gap: 12px;
  align-items: start;
  @media (max-width: 1100px) {
    grid-template-columns: minmax(0, 1fr) 300px;
    > .what {
      grid-column: 1 / 3;
    }
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
    > .what {
      grid-column: 1;
    }
  }
`;
const Outcome = styled.div<{ $kind: 'clear' | 'mind' | 'stop' }>`
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: 10px;
  align-items: start;
  background: var(--${(p) => p.$kind}-tint);
  border-radius: 10px;
  padding: 11px 12px;
  min-height: 92px;
  b {
    font: 800 17px/1.2 var(--display);
    display: block;
  }
  p {
    font-size: 14px;
  }
`;
const Bag = styled.ul`
  font-size: 14px;
  max-height: 170px;
  overflow: auto;
  scrollbar-width: thin;
  li {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr) auto;
    gap: 8px;
    align-items: center;
    padding: 5px 0;
    border-top: 1px dashed var(--seam);
  }
  li:first-child {
    border-top: 0;
  }
`;
/** Most finds are as usual: the fields stay folded until one is not. */
const Measured = styled.details`
  summary {
    cursor: pointer;
    min-height: 36px;
    display: list-item;
    line-height: 36px;
    font-weight: 600;
  }
  div {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    margin: 4px 0 6px;
  }
`;
const KIND = { keep: 'clear', 'clean first': 'mind', rest: 'mind', never: 'stop' } as const;
const TITLE = {
  keep: 'Keep it',
  'clean first': 'Clean it first',
  rest: 'Let it rest',
  never: 'Never on the shelf',
} as const;

/** A bag of finds, one after another: what is it, how is it, and where does it go. */
export function Component() {
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const { data: lots } = useLots();
  const [find, setFind] = useState('');
  const [group, setGroup] = useState<string | null>(null);
  const [picked, setPicked] = useState<Candidate | null>(null);
  const [look, setLook] = useState<Look>(() => lookSchema.parse({}));
  const [quantity, setQuantity] = useState<number | null>(1);
  const [sizes, setSizes] = useState<Sizes>({});
  const [from, setFrom] = useState('');
  const [last, setLast] = useState<{ input: FindInput; answer: FindAnswer } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const bench = useRef<HTMLDivElement>(null);
  const what = useRef<HTMLDivElement>(null);
  const side = useRef<HTMLDivElement>(null);
  const take = useChange((input: FindInput) => api<FindAnswer>('POST', '/finds', input));
  const all = useMemo(() => candidatesOf(materials ?? [], lots ?? []), [materials, lots]);
  if (!materials || !place) return <p role="status">Opening the bag …</p>;
  const wanted = find.trim().toLowerCase().split(/\s+/);
  const shown = all
    .filter((c) => (group === null || c.group === group) && wanted.every((w) => c.words.includes(w)))
    .slice(0, group === null ? 24 : 60);
  const answer = picked
    ? lookOver({
        material: picked.material,
        look,
        policy: {
          toiletRolls: place.toiletRolls ?? 'rest',
          eggCartons: place.eggCartons ?? 'rest',
          restDays: place.restDays ?? 3,
        },
        today: place.today,
      })
    : null;
  const pick = (c: Candidate): void => {
    setPicked(c);
    setLook(firstLook(c));
    setSizes({});
    setQuantity(1);
    setProblem(null);
    requestAnimationFrame(() => bench.current?.focus({ preventScroll: true }));
  };
  const send = (input: FindInput): void => {
    if (take.isPending) return;
    setProblem(null);
    take.mutate(input, {
      onSuccess: (done) => {
        setLast({ input, answer: done });
        setPicked(null);
        setFind('');
        setGroup(null);
        requestAnimationFrame(() => what.current?.querySelector('input')?.focus({ preventScroll: true }));
      },
      onError: (e) => setProblem(words(e)),
    });
  };
  const takeIn = (): void => {
    if (!picked || stopsAtUnread(side.current)) return;
    if (!quantity || quantity < 1) {
      setProblem('How many? Expected at least 1.');
      return;
    }
    send({
      ...(picked.id === null ? { catalogue: picked.key! } : { materialId: picked.id }),
      quantity,
      from: from.trim(),
      sizes,
      look,
    });
  };
  const today = (lots ?? []).filter((l) => l.cameOn === place.today && l.look);
  const counted = (state: string): number =>
    today.filter((l) => l.state === state).reduce((n, l) => n + l.came, 0);
  return (
    <Stack>
      <Heading
        over={`${place.name} · today ${counted('ready')} kept, ${counted('clean first')} to clean, ${counted('resting')} resting, ${counted('never')} refused`}
        title={picked ? `How is the ${picked.material.name.toLowerCase()}?` : 'What came in?'}
      >
        <div style={{ width: 210 }}>
          <TextField label="From (code name)" value={from} onChange={setFrom} placeholder="Teal Skiff" />
        </div>
      </Heading>
      <Grid>
        <div className="what" ref={what}>
          <Wish
            find={find}
            group={group}
            onFind={(text) => {
              setFind(text);
              setGroup(null);
              setPicked(null);
            }}
            onGroup={(g) => {
              setGroup(g);
              setFind('');
              setPicked(null);
            }}
            onFirst={() => shown[0] && pick(shown[0])}
          />
        </div>
        <Panel
          as="div"
          ref={bench}
          tabIndex={-1}
          aria-label="How is it?"
          style={{ outline: 'none' }}
          onKeyDown={(e: React.KeyboardEvent) => {
            const at = e.target as HTMLElement;
            if (!picked || (at instanceof HTMLInputElement && at.type === 'text')) return;
            const question = QUESTIONS.find((q) => q.key === e.key);
            if (question) {
              setLook((l) => turned(l, question.id));
              e.preventDefault();
            } else if (e.key === 'Enter' && !(at instanceof HTMLButtonElement)) {
              takeIn();
              e.preventDefault();
            }
          }}
        >
          {picked ? (
            <Stack $gap={9}>
              <Spread>
                <Row>
                  <Picture material={picked.material} size={46} />
                  <div>
                    <h2>{picked.material.name}</h2>
                    <Quiet>{sizeWords(picked.material, place.lengthUnit)}, usually</Quiet>
                  </div>
                </Row>
                <Quiet>keys 1 to 8 turn an answer, Enter takes it in</Quiet>
              </Spread>
              <Questions
                look={look}
                unit={place.lengthUnit}
                container={picked.material.form === 'container'}
                onChange={(part) => setLook((l) => ({ ...l, ...part }))}
              />
            </Stack>
          ) : (
            <Pictures
              title={
                group ??
                (find.trim()
                  ? `“${find.trim()}”`
                  : last
                    ? 'What is next in the bag?'
                    : 'Empty the bag on the table')
              }
              shown={shown}
              onPick={pick}
            />
          )}
        </Panel>
        <Panel as="div" ref={side}>
          <Stack $gap={10}>
            {answer && picked && (
              <>
                <Outcome $kind={KIND[answer.outcome]} role="status" aria-label="Outcome">
                  <SewnButton kind={KIND[answer.outcome]} size={34} />
                  <span>
                    <b>
                      {TITLE[answer.outcome]}
                      {answer.until && ` until ${shortDay(answer.until)}`}
                    </b>
                    {answer.reasons.length === 0 ? (
                      <p>Clean, dry and whole.</p>
                    ) : (
                      answer.reasons.map((r) => <p key={r.words}>{r.words}</p>)
                    )}
                  </span>
                </Outcome>
                <Form onSubmit={takeIn}>
                  <Row>
                    <div style={{ width: 96 }}>
                      <CountField
                        label={picked.material.unit === 'mm' ? 'How many mm' : 'How many'}
                        value={quantity}
                        onChange={setQuantity}
                      />
                    </div>
                    <Button type="submit" isDisabled={take.isPending} style={{ alignSelf: 'end' }}>
                      {answer.outcome === 'never' ? 'Refuse it' : 'Take it in'}
                    </Button>
                  </Row>
                  <Measured key={picked.material.name}>
                    <summary>Measured it?</summary>
                    <div>
                      <MeasuredFields
                        material={picked.material}
                        sizes={sizes}
                        unit={place.lengthUnit}
                        onChange={setSizes}
                      />
                    </div>
                    <Quiet>
                      Left empty it counts as the usual {sizeWords(picked.material, place.lengthUnit)}.
                    </Quiet>
                  </Measured>
                </Form>
                <Seam />
              </>
            )}
            {problem && <Notice tone="stop">{problem}</Notice>}
            {last && (
              <>
                <Notice tone={KIND[last.answer.outcome]}>
                  <strong>
                    {last.answer.lot.came} × {last.answer.material}:
                  </strong>{' '}
                  {outcomeWords(last.answer)}
                </Notice>
                <Row>
                  <Button
                    small
                    plain
                    isDisabled={take.isPending}
                    onPress={() => send({ ...last.input, quantity: 1, from: from.trim() })}
                  >
                    Same again
                  </Button>
                  <Button
                    small
                    plain
                    isDisabled={take.isPending}
                    onPress={() => send({ ...last.input, quantity: 5, from: from.trim() })}
                  >
                    Same again, 5 more
                  </Button>
                </Row>
              </>
            )}
            <h2>Today’s bag</h2>
            <Bag>
              {today.slice(0, 40).map((l) => {
                const m = materials.find((x) => x.id === l.materialId);
                const kind = l.state === 'ready' ? 'clear' : l.state === 'never' ? 'stop' : 'mind';
                return (
                  <li key={l.id}>
                    <SewnButton kind={kind} size={20} />
                    <span>{m?.name ?? '…'}</span>
                    <b>{m ? amount(m, l.came) : l.came}</b>
                  </li>
                );
              })}
              {today.length === 0 && <li style={{ display: 'block' }}>Nothing yet.</li>}
            </Bag>
          </Stack>
        </Panel>
      </Grid>
    </Stack>
  );
}
