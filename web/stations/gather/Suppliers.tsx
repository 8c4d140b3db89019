import { useState } from 'react';
import type { Supplier } from '../../../contract/materials.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useSuppliers } from '../../data/queries.ts';
import { money } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { MoneyField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const deliveryWords = (s: Supplier): string =>
  s.delivery === 0
    ? text('noDeliveryCharge')
    : s.freeFrom == null
      ? text('delivery', { delivery: money(s.delivery) })
      : text('deliveryFreeFrom', { delivery: money(s.delivery), freeFrom: money(s.freeFrom) });

function Change({ supplier, onDone }: { supplier: Supplier; onDone(): void }) {
  const [name, setName] = useState(supplier.name);
  const [delivery, setDelivery] = useState<number | null>(supplier.delivery);
  const [freeFrom, setFreeFrom] = useState<number | null>(supplier.freeFrom ?? null);
  const save = useChange(() =>
    api<Supplier>('PUT', `/suppliers/${supplier.id}`, {
      name,
      delivery: delivery ?? 0,
      freeFrom,
      version: supplier.version,
    }),
  );
  return (
    <Form
      onSubmit={() =>
        save.mutate(undefined, {
          onSuccess: (s) => {
            say(`${s.name}: ${deliveryWords(s)}.`);
            onDone();
          },
        })
      }
    >
      <Stack $gap={8}>
        <TextField label={text('suppliersName')} value={name} onChange={setName} />
        <MoneyField label={text('delivery2')} minor={delivery} onChange={setDelivery} />
        <MoneyField label={text('freeFromIfEver')} minor={freeFrom} onChange={setFreeFrom} />
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        <Row>
          <Button small type="submit" isDisabled={save.isPending}>
            {text('save')}
          </Button>
          <Button small plain onPress={onDone}>
            {text('cancel')}
          </Button>
        </Row>
      </Stack>
    </Form>
  );
}

/** What each supplier charges for bringing anything, and from which sum on it is free. */
export function Suppliers() {
  const { data: suppliers } = useSuppliers();
  const [open, setOpen] = useState<number | null>(null);
  if (!suppliers || suppliers.length === 0) return null;
  return (
    <>
      <h2>{text('suppliers')}</h2>
      <ul aria-label={text('suppliers')} style={{ display: 'grid', gap: 8, fontSize: 14 }}>
        {suppliers.map((s) => (
          <li key={s.id}>
            {open === s.id ? (
              <Change supplier={s} onDone={() => setOpen(null)} />
            ) : (
              <Spread>
                <span>
                  <b>{s.name}</b>
                  <br />
                  <Quiet>{deliveryWords(s)}</Quiet>
                </span>
                <Button small plain aria-label={text('change', { s: s.name })} onPress={() => setOpen(s.id)}>
                  {text('change2')}
                </Button>
              </Spread>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
