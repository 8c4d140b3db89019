import { useQuery } from '@tanstack/react-query';
import type { Outbox, OutboxMail } from '../../../contract/telling.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { text } from './text.ts';

/** Puts messages into the outbox, from which they go at once; says how many went. */
export async function postMails(borrowerIds: readonly number[], language: string | undefined): Promise<void> {
  const { mails, isSimulated } = await api<Outbox>('POST', '/outbox', {
    borrowerIds,
    ...(language === undefined ? {} : { language }),
  });
  const own = borrowerIds.map((id) => mails.find((m) => m.borrowerId === id));
  const sent = own.filter((m) => m?.state === 'sent').length;
  const wait = own.length - sent;
  say(
    [
      sent > 0 && text(isSimulated ? 'onlySimulated' : 'mailed', { sent }),
      wait > 0 && text('outboxNotTakenYet', { wait }),
    ]
      .filter(Boolean)
      .join(', ') + '.',
  );
}

/** The outbox, and whether a mail server takes what is in it. */
export const useOutbox = () =>
  useQuery({ queryKey: ['outbox'], queryFn: () => api<Outbox>('GET', '/outbox') });

const stateWords = (m: OutboxMail, isSimulated: boolean): string =>
  m.state === 'sent'
    ? text(isSimulated ? 'reachedNobody' : 'takenOn', { sentOn: shortDay(m.sentOn!) })
    : m.tries === 0
      ? 'waits'
      : text('notTakenTries', { tries: m.tries, problem: m.problem ?? '' });

/** Mails that went out or wait to. */
export function OutboxPanel() {
  const { data, error } = useOutbox();
  const again = useChange(() => api<Outbox>('POST', '/outbox/deliver', {}));
  const drop = useChange((id: number) => api<void>('DELETE', `/outbox/${id}`));
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return null;
  const waiting = data.mails.filter((m) => m.state === 'waiting').length;
  return (
    <Panel as="section" aria-label={text('outbox')}>
      <Stack $gap={8}>
        <Spread>
          <h2>{data.isSimulated ? text('outboxSimulated') : text('outbox')}</h2>
          {waiting > 0 && (
            <Button small isDisabled={again.isPending} onPress={() => again.mutate(undefined)}>
              {again.isPending ? text('sending') : text('sendAgain', { waiting })}
            </Button>
          )}
        </Spread>
        <Quiet>
          {data.isSimulated ? text('nothingLeavesThisMachine') : text('mailGoesOutFrom', { from: data.from })}
        </Quiet>
        {(again.error ?? drop.error) && <Notice tone="stop">{words(again.error ?? drop.error)}</Notice>}
        {data.mails.length === 0 ? (
          <Quiet>{text('noMailYetFamilys')}</Quiet>
        ) : (
          <Table
            caption={text('mailsOutbox')}
            left={[1, 2]}
            head={[text('family3'), text('what2'), text('state'), '']}
            rows={data.mails.slice(0, 20).map((m) => ({
              key: String(m.id),
              cells: [
                <span key="f">
                  <b>{m.borrower}</b>
                  <br />
                  <Quiet>{m.to}</Quiet>
                </span>,
                m.subject,
                m.state === 'sent' || m.tries === 0 ? (
                  stateWords(m, data.isSimulated)
                ) : (
                  <span key="s" style={{ color: 'var(--stop)', fontWeight: 600 }}>
                    {stateWords(m, data.isSimulated)}
                  </span>
                ),
                <Row key="d" style={{ justifyContent: 'flex-end' }}>
                  <FileLink
                    small
                    href={`/api/outbox/${m.id}/mail.eml`}
                    aria-label={text('mailAsFile', { m: m.id })}
                  >
                    {text('file')}
                  </FileLink>
                  {m.state === 'waiting' && (
                    <Button
                      small
                      plain
                      isDisabled={drop.isPending}
                      onPress={() => drop.mutate(m.id)}
                      aria-label={text('takeMailBack', { m: m.id, borrower: m.borrower })}
                    >
                      {text('takeBack')}
                    </Button>
                  )}
                </Row>,
              ],
            }))}
          />
        )}
      </Stack>
    </Panel>
  );
}
