import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Done } from '../../../contract/undo.ts';
import { apiPage, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { undoDone } from '../../data/undo.ts';
import { useSession } from '../../data/whoIsHere.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Lines } from './Lines.tsx';
import { text } from './text.ts';

const clock = (at: string, locale: string): string =>
  new Date(at).toLocaleTimeString(locale, { hour: 'numeric', minute: '2-digit' });
const sentence = (d: Done): string => `${d.did.charAt(0).toUpperCase()}${d.did.slice(1)}`;

/** Asks why, and whose decision it was where nobody is signed in. */
function Undo({ done, onClose }: { done: Done; onClose(): void }) {
  const { data: session } = useSession();
  const isNamed = (session?.person ?? null) !== null;
  const [why, setWhy] = useState('');
  const [by, setBy] = useState('');
  const undo = useChange(
    () => undoDone(done.id, why, by),
    () => text('wasUndone', { what: `${sentence(done)}: ${done.about}` }),
  );
  return (
    <Dialog title={text('undoThis')} isOpen onClose={onClose}>
      <Form onSubmit={() => undo.mutate(undefined, { onSuccess: onClose })}>
        <Stack $gap={10}>
          <p>
            {sentence(done)}: {done.about}
          </p>
          <TextField label={text('whyUndone')} value={why} onChange={setWhy} />
          {!isNamed && <TextField label={text('whoUndoes')} value={by} onChange={setBy} />}
          {undo.error && <Notice tone="stop">{words(undo.error)}</Notice>}
          <Row>
            <Button type="submit" isDisabled={undo.isPending}>
              {text('undoIt')}
            </Button>
            <Button plain onPress={onClose}>
              {text('leaveIt')}
            </Button>
          </Row>
          <Quiet>{text('undoMeans')}</Quiet>
        </Stack>
      </Form>
    </Dialog>
  );
}

/** What was done today, the latest first, with its way back. */
export function DoneToday({ locale }: { locale: string }) {
  const [open, setOpen] = useState<Done | null>(null);
  const { data, error } = useQuery({ queryKey: ['done'], queryFn: () => apiPage<Done>('/done') });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data || data.total === 0) return null;
  return (
    <Fold>
      <summary>{text('doneToday', { n: data.total })}</summary>
      <Lines aria-label={text('doneTodayList')}>
        {data.items.map((d) => (
          <li key={d.id}>
            <span>
              {sentence(d)}: <b>{d.about}</b>{' '}
              <Quiet>{[clock(d.at, locale), d.who].filter(Boolean).join(', ')}</Quiet>
              {d.undone && (
                <>
                  <br />
                  <Quiet>
                    {text('undoneBy', {
                      at: clock(d.undone.at, locale),
                      by: d.undone.by === '' ? text('somebody') : d.undone.by,
                      why: d.undone.why,
                    })}
                  </Quiet>
                </>
              )}
            </span>
            {!d.undone && (
              <Button
                small
                plain
                aria-label={text('undoOf', { what: `${d.did}: ${d.about}` })}
                onPress={() => setOpen(d)}
              >
                {text('undo')}
              </Button>
            )}
          </li>
        ))}
      </Lines>
      {data.total > data.items.length && (
        <Quiet>{text('latestOf', { shown: data.items.length, n: data.total })}</Quiet>
      )}
      {open && <Undo done={open} onClose={() => setOpen(null)} />}
    </Fold>
  );
}
