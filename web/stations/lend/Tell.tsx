import { Confirm } from '../../parts/Confirm.tsx';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Telling, ToldAt } from '../../../contract/telling.ts';
import type { ToldOf } from '../../../core/lend/telling.ts';
import type { Verdict as VerdictKind } from '../../../core/patterns/kernel.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { languageName, shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { say } from '../../parts/messages.ts';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { OutboxPanel, postMails, useOutbox } from './OutboxPanel.tsx';
import { OwnWords, spoken, useMessageWords } from './OwnWords.tsx';
import { BY } from './toldBy.ts';
import { text } from './text.ts';

const Cards = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(380px, 100%), 1fr));
  gap: 12px;
  align-items: start;
`;
const Message = styled.p`
  white-space: pre-line;
  background: var(--linen);
  border-radius: 8px;
  padding: 10px 12px;
  font-size: 14.5px;
  line-height: 1.4;
`;

const OF: Record<ToldOf, { word: string; kind: VerdictKind }> = {
  recalled: { word: text('calledBack4'), kind: 'stop' },
  late: { word: 'overdue', kind: 'stop' },
  short: { word: text('cameBackShort2'), kind: 'care' },
  soon: { word: text('dueSoon2'), kind: 'care' },
  ready: { word: text('reserved3'), kind: 'clear' },
};

/** What somebody says they did: a copied text, an opened mail or a printed page tells nobody by itself. */
const DONE_BY: readonly (readonly [ToldAt['by'], string])[] = [
  ['said', text('toldPerson')],
  ['printed', text('gavePage')],
  ['copied', text('sentMessage')],
];

function Family({ of, canMail }: { of: Telling; canMail: boolean }) {
  const tell = useChange(
    (by: ToldAt['by']) =>
      api<Telling>('POST', '/tellings', { borrowerId: of.borrowerId, by, language: of.language }),
    (_, by) => text('nowToldOf', { family: of.borrower, by: BY[by] }),
  );
  const post = useChange(() => postMails([of.borrowerId], of.language));
  const [problem, setProblem] = useState<string | null>(null);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(of.words);
      say(text('copiedPasteIntoYour'));
    } catch {
      setProblem(text('thisBrowserDoesNot'));
    }
  };
  return (
    <Panel as="article" aria-label={text('message2', { borrower: of.borrower })}>
      <Stack $gap={9}>
        <Spread>
          <h2>{of.borrower}</h2>
          <Row>
            {[...new Set(of.items.map((i) => i.of))].map((k) => (
              <Verdict key={k} kind={OF[k].kind} word={OF[k].word} />
            ))}
          </Row>
        </Spread>
        <Message lang={of.language}>{of.words}</Message>
        <Row>
          <Button small onPress={() => void copy()}>
            {text('copy')}
          </Button>
          {canMail && of.mail !== null && (
            <Button small plain isDisabled={post.isPending} onPress={() => post.mutate(undefined)}>
              {text('mail2')}
            </Button>
          )}
          <FileLink small href={`/api/tellings/${of.borrowerId}/mail.eml?language=${of.language}`}>
            {text('asMail')}
          </FileLink>
          <FileLink small href={`/api/borrowers/${of.borrowerId}/due.ics`}>
            {text('calendar')}
          </FileLink>
        </Row>
        {!of.told && (
          <Row role="group" aria-label={text('onceTheyKnow')}>
            <Quiet>{text('onceTheyKnow')}</Quiet>
            {DONE_BY.map(([by, label]) => (
              <Button key={by} small plain isDisabled={tell.isPending} onPress={() => tell.mutate(by)}>
                {label}
              </Button>
            ))}
          </Row>
        )}
        <Quiet role="status">
          {of.told
            ? text('toldOn', { by: BY[of.told.by], on: shortDay(of.told.on) })
            : text('notToldYetThis')}
        </Quiet>
        {(problem ?? tell.error ?? post.error) && (
          <Notice tone="stop">{problem ?? words(tell.error ?? post.error)}</Notice>
        )}
      </Stack>
    </Panel>
  );
}

/** Those whose address is known and who were not told yet. */
const mailable = (list: readonly Telling[]): Telling[] => list.filter((t) => !t.told && t.mail !== null);

const OWN = 'own';
/** Families that are shown at first, and with each touch more. */
const A_PAGE = 40;

/** What families are to be told today: what is late, due soon, called back, or kept for them and in. */
export function Component() {
  const { data: place } = usePlace();
  const [chosen, setChosen] = useState<string | null>(null);
  const [shown, setShown] = useState(A_PAGE);
  const [asks, setAsks] = useState<'mail' | 'given' | null>(null);
  const { data: said } = useMessageWords();
  const languages = spoken(said, place?.languages ?? []);
  // Each family in its own language, unless somebody wants all in one.
  const query = chosen === null ? '' : `?language=${chosen}`;
  const { data: list, error } = useQuery({
    queryKey: ['tellings', query],
    queryFn: () => api<Telling[]>('GET', `/tellings${query}`),
    enabled: place !== undefined && said !== undefined,
    placeholderData: (before) => before,
  });
  const { data: outbox } = useOutbox();
  const printed = useChange(async () => {
    for (const t of list ?? [])
      if (!t.told)
        await api('POST', '/tellings', { borrowerId: t.borrowerId, by: 'printed', language: t.language });
  });
  const mailAll = useChange(() =>
    postMails(
      mailable(list ?? []).map((t) => t.borrowerId),
      chosen ?? undefined,
    ),
  );
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!list || !place) return <p role="status">{text('lookingWhoTold')}</p>;
  const open = list.filter((t) => !t.told).length;
  // Where no mail server is set up, nothing can be sent from here; a simulated outbox is shown where that is wanted.
  const canMail = outbox !== undefined && (!outbox.isSimulated || place.simulated);
  const toMail = canMail ? mailable(list) : [];
  return (
    <Stack>
      <Heading
        over={`${place.name} · ${shortDay(place.today)}`}
        title={
          list.length === 0 ? text('nobodyToldAnything') : text('tellNotToldYet', { list: list.length, open })
        }
      >
        <Choice
          inline
          label={text('language')}
          value={chosen ?? OWN}
          onChange={(l) => setChosen(l === OWN ? null : l)}
          options={[
            { value: OWN, label: text('eachOwn') },
            ...languages.map((l) => ({ value: l, label: languageName(l) })),
          ]}
        />
        {list.length > 0 && (
          <>
            <FileLink href={`/api/tellings/all.pdf${query}`}>{text('printPageEach')}</FileLink>
            {toMail.length > 0 && (
              <Button plain isDisabled={mailAll.isPending} onPress={() => setAsks('mail')}>
                {text('mail3', { toMail: toMail.length })}
              </Button>
            )}
            <Button plain isDisabled={open === 0 || printed.isPending} onPress={() => setAsks('given')}>
              {text('allPrinted')}
            </Button>
          </>
        )}
        <ButtonLink plain to="/lend">
          {text('backRail')}
        </ButtonLink>
      </Heading>
      <Confirm
        title={asks === 'mail' ? text('mailAsk', { n: toMail.length }) : text('givenAsk', { n: open })}
        words={
          asks === 'mail'
            ? text('mailMeans', { n: toMail.length, isSimulated: String(outbox?.isSimulated ?? true) })
            : text('givenMeans')
        }
        yes={asks === 'mail' ? text('mail3', { toMail: toMail.length }) : text('allGiven', { n: open })}
        isOpen={asks !== null}
        onYes={() => {
          setAsks(null);
          if (asks === 'mail') mailAll.mutate(undefined);
          else printed.mutate(undefined);
        }}
        onNo={() => setAsks(null)}
      />
      {(printed.error ?? mailAll.error) && (
        <Notice tone="stop">{words(printed.error ?? mailAll.error)}</Notice>
      )}
      {list.length === 0 && <Notice tone="clear">{text('nothingLateDueWithin')}</Notice>}
      <Cards>
        {list.slice(0, shown).map((t) => (
          <Family key={t.borrowerId} of={t} canMail={canMail} />
        ))}
      </Cards>
      {list.length > shown && (
        <Row>
          <Button plain onPress={() => setShown(shown + A_PAGE)}>
            {text('showMore2', { A_PAGE: Math.min(A_PAGE, list.length - shown) })}
          </Button>
          <Quiet>{text('familiesShownPapersMails', { shown, list: list.length })}</Quiet>
        </Row>
      )}
      <Quiet>{text('familiesKnownHereCode')}</Quiet>
      {canMail ? <OutboxPanel /> : outbox && <Quiet>{text('noMailServer')}</Quiet>}
      <OwnWords languages={place.languages} />
    </Stack>
  );
}
