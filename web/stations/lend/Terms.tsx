import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { slipLanguages } from '../../../core/lend/term/slipWords.ts';
import type { TermBest, TermPlanName, TermPlanPage } from '../../../contract/termPlan.ts';
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
    const { page: next, best: found } = await api<{ page: TermPlanPage; best: TermBest }>(
      'POST',
      `/term-plans/${page!.id}/plan`,
      { version: page!.version },
    );
    queries.setQueryData(['term-plans', next.id, 'best', next.version], found);
  });
  const set = useChange(
    async ({ kitId }: { kitId: number | null | 'plan' }) => {
      const { family, week } = at!;
      const before = entriesOf(page!);
      const isHere = (e: (typeof before)[number]): boolean => e.borrowerId === family && e.week === week;
      const entries =
        kitId === 'plan'
          ? before.map((e) => (isHere(e) ? { ...e, kept: false } : e))
          : [
              ...before.filter((e) => !isHere(e)),
              ...(kitId === null ? [] : [{ borrowerId: family, week, kitId, kept: true }]),
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
        {dialogs}
      </Stack>
    );
  if (!page) return <p role="status">{text('lookingPlanOver')}</p>;
  const tongues = slipLanguages(place?.languages ?? []);
  const faults = (page?.families ?? []).flatMap((f) =>
    f.loans.filter((l) => l.faults.length > 0).map((loan) => ({ who: f.name, loan })),
  );
  const places = page.families.length * page.starts.length;
  const kept = loans.filter((l) => l.kept).length;
  const family = page.families.find((f) => f.id === at?.family);
  const knownFamily = borrowers.find((b) => b.id === known);
  return (
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
                  : best.data
                    ? bestWords(page.points, loans.length, best.data)
                    : best.isFetching
                      ? text('comparingBestThere')
                      : ''}
            </span>
            <Row>
              <Button isDisabled={solve.isPending} onPress={() => solve.mutate(undefined)}>
                {loans.length === 0 ? text('plan2') : kept > 0 ? text('planRoundWhatWas') : text('planAnew')}
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
          {faults.length > 0 && (
            <Notice tone="stop">
              <strong>
                {faults.length === 1
                  ? text('oneLoanCannotLike')
                  : text('loansCannotLikeThis', { faults: faults.length })}
              </strong>
              <ul style={{ margin: '4px 0 0', paddingLeft: 0 }}>
                {faults.slice(0, FAULTS_SHOWN).map(({ who, loan }) => (
                  <li key={`${loan.borrowerId} ${loan.week}`}>
                    {who}, {shortDay(loan.day)}, {loan.kit}: {loan.faults.join(' ')}
                  </li>
                ))}
                {faults.length > FAULTS_SHOWN && (
                  <li>{text('moreMarkedBelow', { faults: faults.length - FAULTS_SHOWN })}</li>
                )}
              </ul>
            </Notice>
          )}
          {(solve.error ?? remove.error) && <Notice tone="stop">{words(solve.error ?? remove.error)}</Notice>}
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
          onSet={(kitId) => set.mutate({ kitId }, { onSuccess: () => setAt(null) })}
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
      {dialogs}
    </Stack>
  );
}
