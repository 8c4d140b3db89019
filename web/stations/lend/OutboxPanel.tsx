import { useQuery } from '@tanstack/react-query';
import type { Outbox, OutboxMail } from '../../../contract/telling.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, FileLink } from '../../parts/Button.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';

/** Puts messages into the outbox, from which they go at once; says how many went. */
export async function postMails(borrowerIds: readonly number[], language: string): Promise<void> {
  const { mails } = await api<Outbox>('POST', '/outbox', { borrowerIds, language });
  const own = borrowerIds.map((id) => mails.find((m) => m.borrowerId === id));
  const sent = own.filter((m) => m?.state === 'sent').length;
  const wait = own.length - sent;
  say(
    [sent > 0 && `${sent} mailed`, wait > 0 && `${wait} in the outbox, not taken yet`]
      .filter(Boolean)
      .join(', ') + '.',
  );
}

const stateWords = (m: OutboxMail): string =>
  m.state === 'sent'
    ? `taken on ${shortDay(m.sentOn!)}`
    : m.tries === 0
      ? 'waits'
      : `not taken at ${m.tries === 1 ? 'the first try' : `${m.tries} tries`}: ${m.problem ?? ''}`;

/** Mails that went out or wait to. */
export function OutboxPanel() {
  const { data, error } = useQuery({
    queryKey: ['outbox'],
    queryFn: () => api<Outbox>('GET', '/outbox'),
  });
  const again = useChange(() => api<Outbox>('POST', '/outbox/deliver', {}));
  const drop = useChange((id: number) => api<void>('DELETE', `/outbox/${id}`));
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return null;
  const waiting = data.mails.filter((m) => m.state === 'waiting').length;
  return (
    <Panel as="section" aria-label="Outbox">
      <Stack $gap={8}>
        <Spread>
          <h2>{data.isSimulated ? 'Outbox (simulated)' : 'Outbox'}</h2>
          {waiting > 0 && (
            <Button small isDisabled={again.isPending} onPress={() => again.mutate(undefined)}>
              {again.isPending ? 'Sending …' : `Send ${waiting} again`}
            </Button>
          )}
        </Spread>
        <Quiet>
          {data.isSimulated
            ? 'Nothing leaves this machine: mail is kept here to look at. Name your mail server in FOX_SMTP and FOX_MAIL_FROM to send it. '
            : `Mail goes out from ${data.from}. `}
          What is not taken is tried again every five minutes.
        </Quiet>
        {(again.error ?? drop.error) && <Notice tone="stop">{words(again.error ?? drop.error)}</Notice>}
        {data.mails.length === 0 ? (
          <Quiet>No mail yet. A family’s address is kept with what is known of it, at the desk.</Quiet>
        ) : (
          <Table
            caption="Mails in the outbox"
            left={[1, 2]}
            head={['Family', 'What', 'State', '']}
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
                  stateWords(m)
                ) : (
                  <span key="s" style={{ color: 'var(--stop)', fontWeight: 600 }}>
                    {stateWords(m)}
                  </span>
                ),
                <Row key="d" style={{ justifyContent: 'flex-end' }}>
                  <FileLink small href={`/api/outbox/${m.id}/mail.eml`} aria-label={`Mail ${m.id} as a file`}>
                    File
                  </FileLink>
                  {m.state === 'waiting' && (
                    <Button
                      small
                      plain
                      isDisabled={drop.isPending}
                      onPress={() => drop.mutate(m.id)}
                      aria-label={`Take mail ${m.id} to ${m.borrower} back`}
                    >
                      Take back
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
