import { useEffect, useMemo, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { styled } from 'styled-components';
import type { FindAnswer, FindInput } from '../../../contract/lots.ts';
import { look as lookSchema, lookOver, outcomeWords, type Look } from '../../../core/gather/lookOver.ts';
import type { Sizes } from '../../../core/materials/material.ts';
import { api, words } from '../../data/api.ts';
import { shortDay } from '../../data/style.ts';
import { useChange, useLots, useMaterials, usePlace } from '../../data/queries.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { useTaken } from '../../photo/taken.ts';
import { TextField } from '../../parts/Field.tsx';
import { stopsAtUnread } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { Becomes, KIND } from './Becomes.tsx';
import { wordSearch } from '../../../core/gather/wordSearch.ts';
import { candidatesOf, firstLook, type Candidate } from './candidates.ts';
import { Pictures, Wish } from './Picks.tsx';
import { Questions, QUESTIONS, turned } from './Questions.tsx';
import { TodaysBag } from './TodaysBag.tsx';
import { sizeWords } from './words.ts';
import { text } from './text.ts';

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
/** Said only where there is likely a keyboard. */
const Keys = styled(Quiet)`
  @media (max-width: 760px), (pointer: coarse) {
    display: none;
  }
`;

/** Where one column holds it all, what comes next is brought to the top. */
const inSight = (part: HTMLElement | null): void => {
  if (innerWidth <= 760) part?.scrollIntoView({ block: 'start' });
};
const touched = (): boolean => matchMedia('(pointer: coarse)').matches;

/** A find that was begun elsewhere, as by a photo. */
export interface FindBegun {
  readonly kind: { readonly materialId: number } | { readonly catalogue: string };
  readonly quantity: number;
  readonly sizes: Sizes;
  /** Which kind of the photo it is. */
  readonly ofPhoto: string;
}

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
  /** Counts what somebody begins: typing, a group, a find picked. */
  const begun = useRef(0);
  const sent = useRef(-1);
  const take = useChange((input: FindInput) => api<FindAnswer>('POST', '/finds', input));
  const all = useMemo(() => candidatesOf(materials ?? [], lots ?? []), [materials, lots]);
  const search = useMemo(
    () => wordSearch(all.map((c, id) => ({ id, name: c.material.name, more: c.words }))),
    [all],
  );
  const wasBegun = useRef<FindBegun | null>(
    (useLocation().state as { begun?: FindBegun } | null)?.begun ?? null,
  );
  const ofPhoto = useRef<string | null>(null);
  const { taken, done: doneOfPhoto } = useTaken();
  useEffect(() => {
    const before = wasBegun.current;
    const kind = before?.kind;
    const found =
      kind && all.find((c) => ('materialId' in kind ? c.id === kind.materialId : c.key === kind.catalogue));
    if (!before || !found) return;
    wasBegun.current = null;
    setPicked(found);
    setLook(firstLook(found));
    setSizes(before.sizes);
    ofPhoto.current = before.ofPhoto;
    setQuantity(before.quantity);
  }, [all]);
  if (!materials || !place) return <p role="status">{text('loadingShelf')}</p>;
  const shown = search(find)
    .map((i) => all[i]!)
    .filter((c) => group === null || c.group === group)
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
    begun.current++;
    ofPhoto.current = null;
    setPicked(c);
    setLook(firstLook(c));
    setSizes({});
    setQuantity(1);
    setProblem(null);
    // At once, so that a number key pressed right after Enter answers a question and is not typed into the wish.
    bench.current?.focus({ preventScroll: true });
    requestAnimationFrame(() => inSight(bench.current));
  };
  const send = (input: FindInput): void => {
    // Pressed twice it goes in once; the next find need not wait for the last one.
    if (take.isPending && sent.current === begun.current) return;
    sent.current = begun.current;
    const before = begun.current;
    setProblem(null);
    take.mutateAsync(input).then(
      (done) => {
        setLast({ input, answer: done });
        if (ofPhoto.current !== null) doneOfPhoto(ofPhoto.current);
        ofPhoto.current = null;
        // Whoever went on to the next find meanwhile keeps what they have begun.
        if (begun.current !== before) return;
        setPicked(null);
        setFind('');
        setGroup(null);
        // A finger wants the pictures next, not a keyboard over half the screen.
        if (!touched()) what.current?.querySelector('input')?.focus({ preventScroll: true });
        requestAnimationFrame(() => inSight(touched() ? bench.current : what.current));
      },
      (e: unknown) => setProblem(words(e)),
    );
  };
  const takeIn = (): void => {
    if (!picked || stopsAtUnread(side.current)) return;
    if (!quantity || quantity < 1) {
      setProblem(text('howManyExpectedLeast'));
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
        over={text('todayKeptCleanQuarantine', {
          place: place.name,
          what: counted('ready'),
          what2: counted(text('cleanFirst2')),
          what3: counted('resting'),
          what4: counted('never'),
        })}
        title={picked ? text('how', { material: picked.material.name.toLowerCase() }) : text('whatCame')}
      >
        {taken && (
          <ButtonLink plain to="/gather/photo">
            {text('backToPhoto')}
          </ButtonLink>
        )}
        <div style={{ width: 210 }}>
          <TextField
            label={text('fromCodeName')}
            value={from}
            onChange={setFrom}
            placeholder={text('tealSkiff')}
          />
        </div>
      </Heading>
      <Grid>
        <div className="what" ref={what}>
          <Wish
            find={find}
            group={group}
            onFind={(text) => {
              begun.current++;
              setFind(text);
              setGroup(null);
              setPicked(null);
            }}
            onGroup={(g) => {
              begun.current++;
              setGroup(g);
              setFind('');
              setPicked(null);
            }}
            onFirst={() => {
              // Enter pressed once too often picks nothing that nobody named.
              if ((find.trim() !== '' || group !== null) && shown[0]) pick(shown[0]);
            }}
          />
        </div>
        <Panel
          as="div"
          ref={bench}
          tabIndex={-1}
          aria-label={text('how2')}
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
                    <Quiet>
                      {text('usually', { material: sizeWords(picked.material, place.lengthUnit) })}
                    </Quiet>
                  </div>
                </Row>
                <Keys>{text('keys18Turn')}</Keys>
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
                (find.trim() ? `“${find.trim()}”` : last ? text('whatNextBag') : text('emptyBagOnTable'))
              }
              shown={shown}
              wish={find.trim()}
              onPick={pick}
            />
          )}
        </Panel>
        <Panel as="div" ref={side}>
          <Stack $gap={10}>
            {answer && picked && (
              <>
                <Becomes
                  answer={answer}
                  material={picked.material}
                  unit={place.lengthUnit}
                  quantity={quantity}
                  onQuantity={setQuantity}
                  sizes={sizes}
                  onSizes={setSizes}
                  pending={take.isPending}
                  onTake={takeIn}
                />
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
                  {outcomeWords(last.answer, shortDay)}
                </Notice>
                <Row>
                  <Button
                    small
                    plain
                    isDisabled={take.isPending}
                    onPress={() => send({ ...last.input, quantity: 1, from: from.trim() })}
                  >
                    {text('sameAgain')}
                  </Button>
                  <Button
                    small
                    plain
                    isDisabled={take.isPending}
                    onPress={() => send({ ...last.input, quantity: 5, from: from.trim() })}
                  >
                    {text('sameAgain5More')}
                  </Button>
                </Row>
              </>
            )}
            <TodaysBag lots={today} materials={materials} />
          </Stack>
        </Panel>
      </Grid>
    </Stack>
  );
}
