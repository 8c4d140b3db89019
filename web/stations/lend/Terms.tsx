import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { slipLanguages } from '../../../core/lend/term/slipWords.ts';
import type {
  PlannedLoan,
  TermBest,
  TermMended,
  TermPlanName,
  TermPlanPage,
  TermReplanned,
} from '../../../contract/termPlan.ts';
import { api, words } from '../../data/api.ts';
import { useBorrowers, useChange, usePlace } from '../../data/queries.ts';
import { languageName, shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { FamilyFacts } from './FamilyFacts.tsx';
import { entriesOf, shapeOf, TermForm } from './TermForm.tsx';
import { TermPlace } from './TermPlace.tsx';
import { TermTable } from './TermTable.tsx';
import { text } from './text.ts';

/** What stands against more loans than this is told at their places alone. */
const FAULTS_SHOWN = 4;

const percent = (part: number): string => `${Math.max(0.1, Math.round(1000 * part) / 10)} %`;

/** How a plan compares with the best there is. */
export function bestWords(points: number, loans: number, best: TermBest): string {
  if (points >= best.bound) return text('noPlanDoesBetter');
  if (points >= best.points)
    return text('mostBetterPossibleNothing', { bound: percent(best.bound / points - 1) });
  const more = best.loans - loans;
  return more > 0
    ? text('plannedAnewCouldFill', { more })
    : text('plannedAnewCouldSuit', { points: percent(best.points / Math.max(1, points) - 1) });
}

/** A kit set by hand at a place of the plan; null for none, 'plan' to leave it to the next planning. */
interface SetAt {
  readonly family: number;
  readonly week: number;
  readonly kitId: number | null | 'plan';
  readonly again?: boolean;
}
/** What the last planning changed of which plan; `isLeast` is null where the best was asked for, not the fewest changes. */
interface Replanned {
  readonly of: number;
  readonly changed: TermReplanned['changed'];
  readonly isLeast: boolean | null;
}

const kitWords = (kit: TermReplanned['changed'][number]['before']): string =>
  kit ? `${kit.kit}, ${kit.label}` : text('noKit');

/** What differs from the plan before, and for whom slips are printed anew. */
function Changed({
  last,
  tongues,
  onClose,
}: {
  last: Replanned;
  tongues: readonly string[];
  onClose(): void;
}) {
  const { changed, isLeast, of } = last;
  const anew = changed.filter((c) => c.after !== null);
  const places = anew.map((c) => `${c.borrowerId}-${c.week}`).join(',');
  return (
    <Notice tone="clear">
      <strong>
        {changed.length === 0
          ? text('nothingChanged')
          : text('changedLoans', { n: changed.length, left: anew.length })}
      </strong>{' '}
      {isLeast === null ? '' : text(isLeast ? 'fewerNotPossible' : 'fewerMayBePossible')}
      <ul style={{ margin: '4px 0 6px', paddingLeft: 0 }}>
        {changed.map((c) => (
          <li key={`${c.borrowerId} ${c.week}`}>
            {text('changedLoan', {
              family: c.family,
              day: shortDay(c.day),
              before: kitWords(c.before),
              after: kitWords(c.after),
            })}
          </li>
        ))}
      </ul>
      <Row>
        {anew.length > 0 &&
          tongues.map((l) => (
            <FileLink key={l} href={`/api/term-plans/${of}/slips.pdf?language=${l}&places=${places}`}>
              {tongues.length === 1 ? text('changedSlips') : text('changedSlips2', { l: languageName(l) })}
            </FileLink>
          ))}
        <Button small plain onPress={onClose}>
          {text('close')}
        </Button>
      </Row>
    </Notice>
  );
}

/** Who gets which kit in which week of a term, planned at best and moved by hand. */
export function Component() {
  const asked = useParams().id;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { data: place } = usePlace();
  const { data: borrowers } = useBorrowers();
  const [form, setForm] = useState<'new' | 'change' | null>(null);
  const [at, setAt] = useState<{ family: number; week: number } | null>(null);
  const [known, setKnown] = useState<number | null>(null);
  const [deleting, setDeleting] = useState(false);
  const [changed, setChanged] = useState<Replanned | null>(null);
  const list = useQuery({
    queryKey: ['term-plans'],
    queryFn: () => api<TermPlanName[]>('GET', '/term-plans'),
  });
  const id = asked === undefined ? list.data?.[0]?.id : Number(asked);
  const plan = useQuery({
    queryKey: ['term-plans', id],
    queryFn: () => api<TermPlanPage>('GET', `/term-plans/${id!}`),
    enabled: id !== undefined,
  });
  const page = plan.data;
  const loans = page?.families.flatMap((f) => f.loans) ?? [];
  const best = useQuery({
    queryKey: ['term-plans', id, 'best', page?.version],
    queryFn: () => api<TermBest>('GET', `/term-plans/${id!}/best`),
    enabled: loans.length > 0,
    staleTime: 60_000,
  });
  const solve = useChange(async () => {
    const hadLoans = loans.length > 0;
    const {
      page: next,
      best: found,
      changed,
    } = await api<TermReplanned & { best: TermBest }>('POST', `/term-plans/${page!.id}/plan`, {
      version: page!.version,
    });
    queries.setQueryData(['term-plans', next.id, 'best', next.version], found);
    queries.setQueryData(['term-plans', id], next);
    // Of a first plan everything is new: there is nothing on paper that it differs from.
    setChanged(hadLoans ? { of: next.id, changed, isLeast: null } : null);
  });
  const mend = useChange(async () => {
    const {
      page: next,
      changed: list,
      isLeast,
    } = await api<TermMended>('POST', `/term-plans/${page!.id}/mend`, {
      version: page!.version,
    });
    // What changed stands beside the plan that it is of, not beside the one before.
    queries.setQueryData(['term-plans', id], next);
    setChanged({ of: next.id, changed: list, isLeast });
  });
  const set = useChange(
    async ({ kitId, again = false, ...place }: SetAt) => {
      const { family, week } = place;
      const before = entriesOf(page!);
      const isHere = (e: (typeof before)[number]): boolean => e.borrowerId === family && e.week === week;
      const entries =
        kitId === 'plan'
          ? before.map((e) => (isHere(e) ? { ...e, kept: false, again: false } : e))
          : [
              ...before.filter((e) => !isHere(e)),
              ...(kitId === null ? [] : [{ borrowerId: family, week, kitId, kept: true, again }]),
            ];
      await api<TermPlanPage>('PUT', `/term-plans/${page!.id}`, {
        ...shapeOf(page!),
        version: page!.version,
        entries,
      });
    },
    (_, { kitId }) => text(kitId === 'plan' ? 'loanLeftToPlan' : 'loanSetByHand'),
  );
  const remove = useChange(
    () => api<void>('DELETE', `/term-plans/${page!.id}`),
    () => text('termDeleted'),
  );
  const error = list.error ?? (plan.data ? null : plan.error);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!list.data || !place || !borrowers) return <p role="status">{text('loadingTerms')}</p>;
  const dialogs = (
    <>
      {form && (
        <TermForm
          page={form === 'change' ? page! : null}
          place={place}
          borrowers={borrowers}
          onClose={() => setForm(null)}
          onDone={(made) => {
            setForm(null);
            void navigate(`/lend/terms/${made}`);
          }}
        />
      )}
    </>
  );
  if (list.data.length === 0)
    return (
      <>
        <Stack>
          <Heading over={place.name} title={text('whoGetsWhichKit')}>
            <ButtonLink plain to="/lend">
              {text('backRail')}
            </ButtonLink>
          </Heading>
          <Notice tone="care">{text('noTermPlannedYet')}</Notice>
          <div>
            <Button onPress={() => setForm('new')}>{text('planTerm')}</Button>
          </div>
        </Stack>
        {dialogs}
      </>
    );
  if (!page)
    return (
      <>
        <p role="status">{text('lookingPlanOver')}</p>
        {dialogs}
      </>
    );
  const tongues = slipLanguages(place?.languages ?? []);
  const faults = (page?.families ?? []).flatMap((f) =>
    f.loans.filter((l) => l.faults.length > 0).map((loan) => ({ who: f.name, loan })),
  );
  const places = page.families.length * page.starts.length;
  const kept = loans.filter((l) => l.kept).length;
  const family = page.families.find((f) => f.id === at?.family);
  const knownFamily = borrowers.find((b) => b.id === known);
  const setAtPlace = (loan: PlannedLoan, kitId: number | null): void =>
    set.mutate({ family: loan.borrowerId, week: loan.week, kitId });
  const isBusy = solve.isPending || mend.isPending || set.isPending;
  return (
    <>
      <Stack $gap={10}>
        <Heading
          over={text('weeksFrom', {
            place: place.name,
            page: page.name,
            weeks: page.weeks,
            from: shortDay(page.from),
          })}
          title={text('whoGetsWhichKit')}
        >
          {list.data.length > 1 && (
            <div style={{ width: 200 }}>
              <Select
                label={text('term2')}
                value={String(page.id)}
                onChange={(v) => void navigate(`/lend/terms/${v}`)}
                options={list.data.map((t) => ({
                  value: String(t.id),
                  label: t.name,
                  note: text('from3', { from: shortDay(t.from) }),
                }))}
              />
            </div>
          )}
          <Button plain onPress={() => setForm('change')}>
            {text('changeTerm')}
          </Button>
          <Button plain onPress={() => setForm('new')}>
            {text('term3')}
          </Button>
          <ButtonLink plain to="/lend">
            {text('backRail')}
          </ButtonLink>
        </Heading>
        <Panel as="div">
          <Stack $gap={10}>
            <Spread>
              <span role="status" style={{ flex: '1 1 320px' }}>
                <b>{text('placesHaveKit', { loans: loans.length, places })}</b>
                {loans.length > 0 && text('familysAim', { loans: loans.filter((l) => l.isAim).length })}
                {kept > 0 && text('setHand2', { kept })}.{' '}
                {solve.isPending
                  ? text('planning')
                  : loans.length === 0
                    ? text('planOrSetPlaces')
                    : faults.length > 0
                      ? text('notComparedWithFaults')
                      : best.data
                        ? bestWords(page.points, loans.length, best.data)
                        : best.isFetching
                          ? text('comparingBestThere')
                          : ''}
              </span>
              <Row>
                <Button plain={faults.length > 0} isDisabled={isBusy} onPress={() => solve.mutate(undefined)}>
                  {loans.length === 0
                    ? text('plan2')
                    : kept > 0
                      ? text('planRoundWhatWas')
                      : text('planAnew')}
                </Button>
                {tongues.map((l) => (
                  <FileLink key={l} href={`/api/term-plans/${page.id}/slips.pdf?language=${l}`}>
                    {tongues.length === 1 ? text('slips') : text('slips2', { l: languageName(l) })}
                  </FileLink>
                ))}
                <FileLink href={`/api/term-plans/${page.id}/plan.ics`}>{text('calendar')}</FileLink>
                <FileLink href={`/api/term-plans/${page.id}/plan.csv`}>{text('tableAsCsv')}</FileLink>
              </Row>
            </Spread>
            {changed?.of === page.id && (
              <Changed last={changed} tongues={tongues} onClose={() => setChanged(null)} />
            )}
            {faults.length > 0 && (
              <Notice tone="stop">
                <strong>
                  {faults.length === 1
                    ? text('oneLoanCannotLike')
                    : text('loansCannotLikeThis', { faults: faults.length })}
                </strong>
                <ul style={{ margin: '4px 0 0', paddingLeft: 0 }}>
                  {faults.slice(0, FAULTS_SHOWN).map(({ who, loan }) => (
                    <li key={`${loan.borrowerId} ${loan.week}`} style={{ padding: '3px 0' }}>
                      <Spread>
                        <span style={{ flex: '1 1 320px' }}>
                          {who}, {shortDay(loan.day)}, {loan.kit}: {loan.faults.join(' ')}
                        </span>
                        {loan.mend ? (
                          <Button
                            small
                            plain
                            isDisabled={isBusy}
                            onPress={() => setAtPlace(loan, loan.mend!.kitId)}
                          >
                            {text('giveInstead', { kit: loan.mend.kit, label: loan.mend.label })}
                          </Button>
                        ) : (
                          <Button small plain isDisabled={isBusy} onPress={() => setAtPlace(loan, null)}>
                            {text('noKitThen')}
                          </Button>
                        )}
                      </Spread>
                    </li>
                  ))}
                  {faults.length > FAULTS_SHOWN && (
                    <li>{text('moreMarkedBelow', { faults: faults.length - FAULTS_SHOWN })}</li>
                  )}
                </ul>
                <Row style={{ marginTop: 8 }}>
                  <Button isDisabled={isBusy} onPress={() => mend.mutate(undefined)}>
                    {mend.isPending ? text('planning') : text('mendFewest')}
                  </Button>
                  {kept > 0 && <Quiet>{text('setByHandStays')}</Quiet>}
                </Row>
              </Notice>
            )}
            {(solve.error ?? mend.error ?? remove.error) && (
              <Notice tone="stop">{words(solve.error ?? mend.error ?? remove.error)}</Notice>
            )}
            <TermTable page={page} onPlace={(f, week) => setAt({ family: f, week })} onFamily={setKnown} />
            <Spread>
              <Quiet>{text('plannedNoKitTwo')}</Quiet>
              <Button small plain onPress={() => setDeleting(true)}>
                {text('deleteThisPlan')}
              </Button>
            </Spread>
          </Stack>
        </Panel>
        {at && family && (
          <TermPlace
            page={page}
            family={family}
            week={at.week}
            isBusy={set.isPending}
            problem={set.error ? words(set.error) : null}
            onSet={(kitId, again) =>
              set.mutate({ ...at, kitId, again: again === true }, { onSuccess: () => setAt(null) })
            }
            onClose={() => {
              set.reset();
              setAt(null);
            }}
          />
        )}
        {knownFamily && <FamilyFacts family={knownFamily} onDone={() => setKnown(null)} />}
        <Confirm
          title={text('deletePlan', { page: page.name })}
          words={text('loansWereMadeStay')}
          yes={text('delete2')}
          no={text('keep2')}
          backFirst
          isOpen={deleting}
          isBusy={remove.isPending}
          onNo={() => setDeleting(false)}
          onYes={() =>
            remove.mutate(undefined, {
              onSuccess: () => {
                setDeleting(false);
                void navigate('/lend/terms');
              },
            })
          }
        />
      </Stack>
      {dialogs}
    </>
  );
}
