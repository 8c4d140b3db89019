import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import { languageOf } from '../../../core/languages/messages.ts';
import type { FamilyChild, FamilyPage } from '../../../contract/lending.ts';
import type { ToldAt } from '../../../contract/telling.ts';
import { api, words } from '../../data/api.ts';
import { usePlace } from '../../data/queries.ts';
import { languageName, shortDay } from '../../data/style.ts';
import { mayKeep, useSession } from '../../data/whoIsHere.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { say } from '../../parts/messages.ts';
import { OwnData } from '../../parts/OwnData.tsx';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { FamilyFacts, factWords } from './FamilyFacts.tsx';
import { PrintTime } from './PrintTime.tsx';
import { FamilyPast } from './History.tsx';
import { BY } from './toldBy.ts';
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
const Lines = styled.ul`
  li {
    border-top: 1px dashed var(--seam);
    padding: 8px 0;
    line-height: 1.35;
    font-size: 14.5px;
  }
  li:first-child {
    border-top: 0;
  }
`;
const deskOf = (label: string): string => `/lend?kit=${encodeURIComponent(label)}`;

/** One part of the page: its lines, or that there are none. */
function Part({
  title,
  none,
  children,
}: {
  title: string;
  none: string;
  children: readonly React.ReactNode[];
}) {
  return (
    <Panel as="section" aria-label={title}>
      <Stack $gap={4}>
        <h2>{title}</h2>
        {children.length === 0 ? <Quiet>{none}</Quiet> : <Lines>{children}</Lines>}
      </Stack>
    </Panel>
  );
}

const childWords = (c: FamilyChild): string =>
  [
    c.age === null ? text('ageNotSaid') : text('monthsOldN', { n: c.age }),
    c.mouths ? text('putsInMouth') : null,
    c.allergies.length > 0 ? text('allergicTo', { what: c.allergies.join(', ') }) : null,
    c.isMeasured ? text('handMeasured') : text('handNotMeasured'),
    text('notesN', { n: c.notes, last: c.lastSat === null ? '' : shortDay(c.lastSat) }),
  ]
    .filter(Boolean)
    .join('; ');

function Told({ told }: { told: readonly (ToldAt & { readonly words: string })[] }) {
  return (
    <Part title={text('messagesHead')} none={text('noMessages')}>
      {told.map((t, i) => (
        <li key={`${t.on} ${i}`}>
          <Fold>
            <summary>{text('toldOn', { by: BY[t.by], on: shortDay(t.on) })}</summary>
            <p style={{ whiteSpace: 'pre-line' }}>{t.words}</p>
          </Fold>
        </li>
      ))}
    </Part>
  );
}

/** One family: what it has, what comes next, its children, what it was told and had. */
export function Component() {
  const { id } = useParams();
  const navigate = useNavigate();
  const [isChanging, setChanging] = useState(false);
  const { data: place } = usePlace();
  const { data: session } = useSession();
  const { data, error } = useQuery({
    queryKey: ['borrowers', id, 'page'],
    queryFn: () => api<FamilyPage>('GET', `/borrowers/${id!}`),
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data || !place) return <p role="status">{text('loadingFamily')}</p>;
  const { family, has, planned, kept, told, children } = data;
  return (
    <Stack>
      <Heading over={family.group} title={family.name}>
        <Button plain onPress={() => setChanging(true)}>
          {text('changeWhatKnown')}
        </Button>
        <FileLink href={`/api/borrowers/${family.id}/due.ics`}>{text('dueCalendar')}</FileLink>
        <ButtonLink plain to="/lend/families">
          {text('toFamilies')}
        </ButtonLink>
      </Heading>
      <p>
        {factWords(family)}.{' '}
        {text('writtenIn', { language: languageName(family.language ?? place.languages[0]!) })}.
      </p>
      <Columns>
        <Stack>
          <Part title={text('hasOut')} none={text('hasNothing')}>
            {has.map((h) => (
              <li key={h.loanId}>
                <Link to={deskOf(h.label)}>
                  <b>{h.kit}</b> {h.label}
                </Link>
                <br />
                {h.daysLate > 0 && (
                  <b style={{ color: 'var(--stop)' }}>{text('overdueDays', { n: h.daysLate })}, </b>
                )}
                <Quiet>{text('sinceDay', { day: shortDay(h.lentOn), due: shortDay(h.dueOn) })}</Quiet>
                {h.recalled !== null && (
                  <Notice tone="stop">{text('calledBackWhy', { why: h.recalled })}</Notice>
                )}
              </li>
            ))}
          </Part>
          <Part title={text('plannedNext')} none={text('nothingPlanned')}>
            {planned.map((p) => (
              <li key={`${p.day} ${p.label}`}>
                <Link to={deskOf(p.label)}>
                  <b>{p.kit}</b> {p.label}
                </Link>
                <br />
                <Quiet>
                  {text('plannedLine', { day: shortDay(p.day), due: shortDay(p.due), plan: p.plan })}
                </Quiet>
              </li>
            ))}
          </Part>
          <Part title={text('keptForThem')} none={text('nothingKept')}>
            {kept.map((k) => (
              <li key={k.id}>
                <b>{k.kit}</b>{' '}
                {k.ready ? (
                  <Link to={deskOf(k.ready)}>{text('keptReady', { label: k.ready })}</Link>
                ) : (
                  <Quiet>{text('keptWaits', { day: shortDay(k.madeOn) })}</Quiet>
                )}
              </li>
            ))}
          </Part>
        </Stack>
        <Stack>
          <Part title={text('childrenHead')} none={text('noChildren')}>
            {children.map((c) => (
              <li key={c.code}>
                <Link to={`/watch/${encodeURIComponent(c.code)}`}>
                  <b>{c.code}</b>
                </Link>
                <br />
                <Quiet>{childWords(c)}</Quiet>
              </li>
            ))}
          </Part>
          <Told told={told} />
        </Stack>
      </Columns>
      <Panel as="section" aria-label={text('hadBefore')}>
        <Stack $gap={6}>
          <h2>{text('hadBefore')}</h2>
          <FamilyPast borrowerId={family.id} />
        </Stack>
      </Panel>
      <Panel as="section" aria-label={text('pageToKeep')}>
        <Stack $gap={6}>
          <h2>{text('pageToKeep')}</h2>
          <Quiet>
            {text('pageToKeepSays', {
              // A language that the page has no words in is said in English.
              language: languageName(languageOf(family.language ?? place.languages[0]!) ?? 'en'),
            })}
          </Quiet>
          <PrintTime today={place.today} path={`/api/borrowers/${family.id}/page.pdf`}>
            {text('printPage')}
          </PrintTime>
        </Stack>
      </Panel>
      {session && mayKeep(session) && (
        <Fold>
          <summary>{text('theirData')}</summary>
          <OwnData
            of={family.name}
            href={`/api/borrowers/${family.id}/data`}
            erase={() => api<void>('POST', `/borrowers/${family.id}/erase`, {})}
            onErased={() => {
              say(text('erasedFamily', { name: family.name }));
              void navigate('/lend/families');
            }}
          />
        </Fold>
      )}
      {isChanging && <FamilyFacts family={family} onDone={() => setChanging(false)} />}
    </Stack>
  );
}
