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
    <ul aria-label="What the check says">
      {batch.items.map((i) => (
        <li key={`${i.designId ?? ''} ${i.kitId ?? ''}`}>
          <b>{i.name}</b>
          <CheckOf of={i.designId === null ? `kits/${i.kitId!}` : `designs/${i.designId}`} />
        </li>
      ))}
    </ul>
  );
  const toTest = tests.length > 0 && (
    <Notice tone="care">
      <strong>Test the first of each by hand</strong> before it is lent:
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
      <Dialog title={`${batch.name} is made`} isOpen onClose={onClose}>
        <Stack>
          <Notice tone="clear">
            <strong>{kits(made.copies.length)} labelled:</strong> {made.copies.map((c) => c.label).join(', ')}
          </Notice>
          {made.batch.left.length > 0 && (
            <p>Put back on the shelf: {made.batch.left.map((o) => `${o.count} × ${o.name}`).join(', ')}.</p>
          )}
          {toTest}
          <Row>
            <ButtonLink to={`/lend?kit=${encodeURIComponent(made.copies[0]!.label)}`}>
              Lend the first
            </ButtonLink>
            <ButtonLink plain to="/lend">
              Hang them up
            </ButtonLink>
          </Row>
        </Stack>
      </Dialog>
    );
  return (
    <Dialog title={`Is ${batch.name} made?`} isOpen onClose={onClose} wide>
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
          <p>
            {kits(batch.items.reduce((n, i) => n + i.copies, 0))} are labelled, and what they took goes off
            the shelf.
          </p>
          {checks}
          {toTest}
          <h3>Was anything spoiled besides?</h3>
          <ul style={{ display: 'grid', gap: 6, maxHeight: 280, overflow: 'auto' }}>
            {counted.map((l) => (
              <li key={l.materialId}>
                <Spread>
                  <span>
                    {l.name} <Quiet>{l.wanted} planned</Quiet>
                  </span>
                  <Stepper
                    label={`Spoiled: ${l.name}`}
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
            yes="It is made"
            isBusy={save.isPending}
            onClose={onClose}
          />
        </Stack>
      </Form>
    </Dialog>
  );
}
