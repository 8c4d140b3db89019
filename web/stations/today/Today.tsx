import { useQuery, type UseMutationResult } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { Kit, Loan } from '../../../contract/lending.ts';
import type { Lot } from '../../../contract/lots.ts';
import type { TodayKind, TodayLine, TodayPage } from '../../../contract/today.ts';
import { daysBetween, longDay } from '../../../core/calendar/days.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { isAtDesk, useSession } from '../../data/whoIsHere.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Heading, Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { DoneToday } from './DoneToday.tsx';
import { Lines } from './Lines.tsx';
import { text } from './text.ts';

const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const HEAD: Readonly<Record<TodayKind, string>> = {
  'called back': text('calledBack'),
  lend: text('lend'),
  late: text('late'),
  due: text('due'),
  kept: text('kept'),
  clean: text('clean'),
  quarantine: text('quarantine'),
  test: text('test'),
  session: text('session'),
  tell: text('tell'),
  note: text('note'),
  short: text('short'),
};
/** What belongs together stands in one panel, in the order of the day. */
const COLUMNS: readonly (readonly { readonly name: string; readonly kinds: readonly TodayKind[] }[])[] = [
  [
    { name: text('outAndBack'), kinds: ['called back', 'lend', 'late', 'due', 'kept'] },
    { name: text('families'), kinds: ['tell', 'note'] },
  ],
  [
    { name: text('theKits'), kinds: ['clean', 'quarantine', 'test'] },
    { name: text('making'), kinds: ['session', 'short'] },
  ],
];
/** What who lends can do; the rest is for those who make. */
const AT_DESK: readonly TodayKind[] = ['called back', 'lend', 'late', 'due', 'kept', 'clean', 'tell', 'note'];
const deskOf = (label: string): string => `/lend?kit=${encodeURIComponent(label)}`;

/** The families' planned kits, laid out: all of one family are lent at once, with a slip each. */
function Lend({ line }: { line: TodayLine }) {
  const family = line.family!;
  const kits = line.kits.map((k) => `${k.name} (${k.label})`).join(', ');
  const lend = useChange(
    () =>
      api<Loan[]>('POST', '/loans/together', {
        kitIds: line.kits.map((k) => k.id),
        borrowerId: family.id,
        dueOn: line.day,
      }),
    () => text('lentTogether', { kits, family: family.name, day: shortDay(line.day!) }),
  );
  const waits = line.kits.filter((k) => k.why !== null);
  return (
    <>
      <span>
        <b>{family.name}</b>: {kits} <Quiet>{text('until', { day: shortDay(line.day!) })}</Quiet>
        {waits.map((k) => (
          <Notice key={k.id} tone="care">
            {text('notYet', { label: k.label, why: k.why! })}
          </Notice>
        ))}
        {lend.error && <Notice tone="stop">{words(lend.error)}</Notice>}
      </span>
      {waits.length > 0 ? (
        <ButtonLink
          small
          plain
          to={deskOf(waits[0]!.label)}
          aria-label={text('openAtDesk', { label: waits[0]!.label })}
        >
          {text('atDesk')}
        </ButtonLink>
      ) : (
        <Button
          small
          isDisabled={lend.isPending}
          aria-label={text('lendAsPlannedTo', { family: family.name })}
          onPress={() => lend.mutate(undefined)}
        >
          {text('lendAsPlanned')}
        </Button>
      )}
    </>
  );
}

/** Something that one touch from here does; why not, where it could not be done. */
function OneTouch({
  name,
  label,
  change,
  children,
}: {
  /** What the button is called for who does not see the line beside it. */
  name: string;
  label: string;
  change: UseMutationResult<unknown, Error, void>;
  children: React.ReactNode;
}) {
  return (
    <>
      <span>
        {children}
        {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
      </span>
      <Button
        small
        plain
        isDisabled={change.isPending}
        aria-label={name}
        onPress={() => change.mutate(undefined)}
      >
        {label}
      </Button>
    </>
  );
}

function Clean({ line }: { line: TodayLine }) {
  const kit = line.kits[0]!;
  const change = useChange<void, Kit>(
    () => api<Kit>('POST', `/kits/${kit.id}/state`, { to: 'cleaned' }),
    (k) =>
      k.restsUntil
        ? text('rests', { label: k.label, day: shortDay(k.restsUntil) })
        : text('cleaned', { label: k.label }),
  );
  return (
    <OneTouch name={text('isCleanOf', { label: kit.label })} label={text('isClean')} change={change}>
      {kit.name} <Quiet>{kit.label}</Quiet>
    </OneTouch>
  );
}

function Rested({ line }: { line: TodayLine }) {
  const change = useChange<void, Lot>(
    () => api<Lot>('PUT', `/lots/${line.id!}`, { version: line.version, state: 'ready' }),
    () => text('putThere', { what: line.words }),
  );
  return (
    <OneTouch name={text('onShelfOf', { what: line.words })} label={text('onShelf')} change={change}>
      {line.words} <Quiet>{text('restedOn', { day: shortDay(line.day!) })}</Quiet>
    </OneTouch>
  );
}

/** A kit that is out, and its way back. */
function Back({ line, today }: { line: TodayLine; today: string }) {
  const kit = line.kits[0]!;
  return (
    <>
      <span>
        <b>{line.family!.name}</b>: {kit.name} <Quiet>{kit.label}</Quiet>{' '}
        <Quiet>
          {line.words !== ''
            ? line.words
            : line.kind === 'late'
              ? text('days', { days: daysBetween(line.day!, today) })
              : ''}
        </Quiet>
      </span>
      <ButtonLink small plain to={deskOf(kit.label)} aria-label={text('takeBackOf', { label: kit.label })}>
        {text('takeBack')}
      </ButtonLink>
    </>
  );
}

function Way({ to, name, children }: { to: string; name: string; children: React.ReactNode }) {
  return (
    <ButtonLink small plain to={to} aria-label={name}>
      {children}
    </ButtonLink>
  );
}

/** One thing to do, with what does it. */
function Line({ line, today }: { line: TodayLine; today: string }) {
  switch (line.kind) {
    case 'lend':
      return <Lend line={line} />;
    case 'clean':
      return <Clean line={line} />;
    case 'quarantine':
      return <Rested line={line} />;
    case 'called back':
    case 'late':
    case 'due':
      return <Back line={line} today={today} />;
    case 'kept':
      return (
        <>
          <span>
            <b>{line.family!.name}</b>: {line.design!.name}{' '}
            <Quiet>
              {text('isHere', { label: line.words })}, {text('waitsSince', { day: shortDay(line.day!) })}
            </Quiet>
          </span>
          <Way to={deskOf(line.words)} name={text('openAtDesk', { label: line.words })}>
            {text('atDesk')}
          </Way>
        </>
      );
    case 'test':
      return (
        <>
          <span>
            {line.design!.name} <Quiet>{line.words}</Quiet>
          </span>
          <Way to={`/check/${line.design!.id}`} name={text('testOf', { design: line.design!.name })}>
            {text('testIt')}
          </Way>
        </>
      );
    case 'session':
      return (
        <>
          <span>
            {line.words}{' '}
            <Quiet>
              {line.day === null ? text('noTime') : text('plannedFor', { day: shortDay(line.day) })},{' '}
              {text('stepsDone', { n: line.steps ?? 0 })}
            </Quiet>
          </span>
          <Way to={`/make/batches/${line.id!}`} name={text('openSessionOf', { session: line.words })}>
            {text('openSession')}
          </Way>
        </>
      );
    case 'tell':
      return (
        <>
          <span>
            <b>{line.family!.name}</b> <Quiet>{line.words}</Quiet>
          </span>
          <Way to="/lend/tell" name={text('seeMessageTo', { family: line.family!.name })}>
            {text('seeMessage')}
          </Way>
        </>
      );
    case 'note':
      return (
        <>
          <span>
            <b>{line.family!.name}</b>: {line.kits[0]!.name}{' '}
            <Quiet>{text('cameBack', { day: shortDay(line.day!) })}</Quiet>
          </span>
          <Row>
            {line.words.split(', ').map((child) => (
              <Link
                key={child}
                to={`/watch?child=${encodeURIComponent(child)}&design=${line.design!.id}`}
                aria-label={text('writeNote', { child })}
              >
                {child}
              </Link>
            ))}
          </Row>
        </>
      );
    case 'short':
      return (
        <>
          <span>
            {line.words} <Quiet>{line.design!.name}</Quiet>
          </span>
          <Way to={`/make/batches/${line.id!}`} name={text('whatToBuyFor', { session: line.design!.name })}>
            {text('whatToBuy')}
          </Way>
        </>
      );
  }
}

const keyOf = (l: TodayLine): string =>
  [l.kind, l.family?.id, l.kits.map((k) => k.id), l.design?.id, l.id, l.words].join();

/** What there is to do now, for whom: each line is done from here, and is gone when it is done. */
export function Component() {
  const { data: place } = usePlace();
  const { data: session, isPending: isWhoOpen } = useSession();
  const now = useQuery({ queryKey: ['today'], queryFn: () => api<TodayPage>('GET', '/today') });
  const later = useQuery({
    queryKey: ['today', 'later'],
    queryFn: () => api<TodayPage>('GET', '/today/later'),
  });
  if (now.error) return <Notice tone="stop">{words(now.error)}</Notice>;
  if (!place || !now.data || isWhoOpen) return <p role="status">{text('looking')}</p>;
  const isMine = (kind: TodayKind): boolean => !isAtDesk(session) || AT_DESK.includes(kind);
  const lines = [...now.data.lines, ...(later.data?.lines ?? [])].filter((l) => isMine(l.kind));
  const counts = { ...now.data.counts, ...later.data?.counts };
  const shownOf = (kind: TodayKind): number => lines.filter((l) => l.kind === kind).length;
  const all =
    lines.length +
    Object.entries(counts).reduce(
      (n, [k, c]) => n + (isMine(k as TodayKind) ? c - shownOf(k as TodayKind) : 0),
      0,
    );
  const isAll = later.data !== undefined;
  return (
    <Stack>
      <Heading
        over={text('over', { place: place.name, day: longDay(now.data.day, place.locale) })}
        title={!isAll ? text('soFar', { n: all }) : all === 0 ? text('nothing') : text('toDo', { n: all })}
      >
        <FileLink href="/api/today.pdf">{text('print')}</FileLink>
      </Heading>
      {later.error && <Notice tone="stop">{words(later.error)}</Notice>}
      <Columns>
        {COLUMNS.map((groups) => (
          <Stack key={groups[0]!.name}>
            {groups.map(({ name, kinds }) => {
              const there = kinds.filter((k) => lines.some((l) => l.kind === k));
              if (there.length === 0) return null;
              return (
                <Panel key={name} as="section" aria-label={name}>
                  <Stack $gap={10}>
                    <h2>{name}</h2>
                    {there.map((kind) => {
                      const own = lines.filter((l) => l.kind === kind);
                      const more = (counts[kind] ?? own.length) - own.length;
                      return (
                        <section key={kind} aria-label={HEAD[kind]}>
                          <h3>{HEAD[kind]}</h3>
                          <Lines>
                            {own.map((l) => (
                              <li key={keyOf(l)}>
                                <Line line={l} today={now.data.day} />
                              </li>
                            ))}
                          </Lines>
                          {more > 0 && <Quiet>{text('moreOfThem', { more, most: own.length })}</Quiet>}
                        </section>
                      );
                    })}
                  </Stack>
                </Panel>
              );
            })}
          </Stack>
        ))}
      </Columns>
      {!isAll && !later.error && <Quiet role="status">{text('lookingFurther')}</Quiet>}
      <DoneToday locale={place.locale} />
    </Stack>
  );
}
