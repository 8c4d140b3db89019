import { useRef, useState } from 'react';
import { Link } from 'react-router';
import type { BatchMade, BatchWork } from '../../../contract/batches.ts';
import { kits } from '../../../core/needs/supply.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { CheckOf } from '../../design/CheckLine.tsx';
import { ButtonLink } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { DialogEnd } from '../../parts/DialogEnd.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** The batch is made: what was spoiled, what must still be tested by hand, then the labelled kits. */
export function MadeDialog({ batch, onClose }: { batch: BatchWork; onClose(): void }) {
  const [spoiled, setSpoiled] = useState<Readonly<Record<number, number>>>({});
  const [made, setMade] = useState<BatchMade | null>(null);
  const save = useChange(() =>
    api<BatchMade>('POST', `/batches/${batch.id}/made`, {
      version: batch.version,
      spoiled: Object.entries(spoiled).flatMap(([materialId, quantity]) =>
        quantity > 0 ? [{ materialId: Number(materialId), quantity }] : [],
      ),
    }),
  );
  const asking = useRef(false);
  const counted = batch.bill.filter((l) => l.unit === 'each');
  const tests = [...new Set(batch.tests.map((t) => t.designId))].map((id) => ({
    id,
    name: batch.tests.find((t) => t.designId === id)!.design,
    tests: batch.tests.filter((t) => t.designId === id).map((t) => t.test),
  }));
  const checks = (
    <ul aria-label={text('whatCheckSays')}>
      {batch.items.map((i) => (
        <li key={`${i.designId ?? ''} ${i.bundleId ?? ''}`}>
          <b>{i.name}</b>
          <CheckOf
            of={
              i.designId === null
                ? text('bundles', { bundleId: i.bundleId! })
                : text('designs2', { designId: i.designId })
            }
          />
        </li>
      ))}
    </ul>
  );
  const toTest = tests.length > 0 && (
    <Notice tone="care">
      <strong>{text('testFirstEachHand')}</strong> {text('beforeLent')}
      <ul>
        {tests.map((t) => (
          <li key={t.id}>
            <Link to={`/check/${t.id}`}>{t.name}</Link>: {t.tests.join(', ')}
          </li>
        ))}
      </ul>
    </Notice>
  );
  if (made)
    return (
      <Dialog title={text('made', { batch: batch.name })} isOpen onClose={onClose}>
        <Stack>
          <Notice tone="clear">
            <strong>{text('labelled', { copies: kits(made.kits.length) })}</strong>{' '}
            {made.kits.map((c) => c.label).join(', ')}
          </Notice>
          {made.batch.left.length > 0 && (
            <p>
              {text('putBackOnShelf', {
                left: made.batch.left.map((o) => `${o.count} × ${o.name}`).join(', '),
              })}
            </p>
          )}
          {toTest}
          <Row>
            <ButtonLink to={`/lend?kit=${encodeURIComponent(made.kits[0]!.label)}`}>
              {text('lendFirst')}
            </ButtonLink>
            <ButtonLink plain to="/lend">
              {text('hangThemUp')}
            </ButtonLink>
          </Row>
        </Stack>
      </Dialog>
    );
  return (
    <Dialog title={text('made2', { batch: batch.name })} isOpen onClose={onClose} wide>
      <Form
        onSubmit={() => {
          // A key that is held or counted twice must not make it twice: the second would be told of a change.
          if (asking.current) return;
          asking.current = true;
          save.mutate(undefined, {
            onSuccess: setMade,
            onSettled: () => {
              asking.current = false;
            },
          });
        }}
      >
        <Stack>
          <p>{text('labelledWhatTheyTook', { what: kits(batch.items.reduce((n, i) => n + i.copies, 0)) })}</p>
          {checks}
          {toTest}
          <h3>{text('wasAnythingSpoiledBesides')}</h3>
          <ul style={{ display: 'grid', gap: 6, maxHeight: 280, overflow: 'auto' }}>
            {counted.map((l) => (
              <li key={l.materialId}>
                <Spread>
                  <span>
                    {l.name} <Quiet>{text('planned2', { wanted: l.wanted })}</Quiet>
                  </span>
                  <Stepper
                    label={text('spoiled', { l: l.name })}
                    value={spoiled[l.materialId] ?? 0}
                    min={0}
                    max={Math.max(0, l.kept - l.wanted)}
                    onChange={(n) => setSpoiled((s) => ({ ...s, [l.materialId]: n }))}
                  />
                </Spread>
              </li>
            ))}
          </ul>
          <DialogEnd
            problem={save.error ? words(save.error) : null}
            yes={text('made3')}
            isBusy={save.isPending}
            onClose={onClose}
          />
        </Stack>
      </Form>
    </Dialog>
  );
}
