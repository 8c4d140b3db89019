import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import { styled } from 'styled-components';
import type { MaterialRow, Offer, Supplier } from '../../../contract/materials.ts';
import { money } from '../../data/style.ts';
import { api, ApiError, words } from '../../data/api.ts';
import { useChange, useOffers, useSuppliers } from '../../data/queries.ts';
import { Bin } from '../../parts/Bin.tsx';
import { Button } from '../../parts/Button.tsx';
import { Select } from '../../parts/Select.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField, MoneyField } from '../../parts/TypedField.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { say } from '../../parts/messages.ts';
import { Form } from '../../parts/Form.tsx';
import { Notice, Panel, Quiet, Row, Seam, Stack } from '../../parts/Panel.tsx';
import { Suppliers } from './Suppliers.tsx';
import { text } from './text.ts';

const List = styled.ul`
  display: grid;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 44px;
    gap: 2px 8px;
    align-items: center;
    padding: 6px 0;
    border-top: 1px dashed var(--seam);
  }
  li:first-child {
    border-top: 0;
  }
`;
const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;

/** Suppliers' packs and their prices; a pack may hold several materials. */
export function Packs({ materials }: { materials: readonly MaterialRow[] }) {
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const [name, setName] = useState('');
  const [supplier, setSupplier] = useState<string | null>(null);
  const [newSupplier, setNewSupplier] = useState('');
  const [delivery, setDelivery] = useState<number | null>(0);
  const [freeFrom, setFreeFrom] = useState<number | null>(null);
  const [price, setPrice] = useState<number | null>(null);
  const [contents, setContents] = useState<{ materialId: number | null; quantity: number | null }[]>([
    { materialId: null, quantity: null },
  ]);
  const [problem, setProblem] = useState<string | null>(null);
  const [removeProblem, setRemoveProblem] = useState<string | null>(null);
  const [deleting, setDeleting] = useState<Offer | null>(null);
  const add = useChange(async () => {
    let supplierId = Number(supplier);
    if (supplier === null) throw new Error(text('chooseSupplier'));
    if (price === null) throw new Error(text('priceMissing'));
    if (contents.some((c) => c.materialId === null || !c.quantity)) throw new Error(text('sayWhatPackHow'));
    if (supplier === 'new') {
      supplierId = (
        await api<Supplier>('POST', '/suppliers', { name: newSupplier, delivery: delivery ?? 0, freeFrom })
      ).id;
      // Kept now, whatever becomes of the pack: a second try must not make it again.
      setSupplier(String(supplierId));
    }
    return api<Offer>('POST', '/offers', { name, supplierId, price, contents });
  });
  const remove = useChange((id: number) => api<void>('DELETE', `/offers/${id}`));
  const nameOf = (id: number): string => materials.find((m) => m.id === id)?.name ?? '?';
  const submit = (): void => {
    setProblem(null);
    add.mutate(undefined, {
      onSuccess: () => {
        setName('');
        setPrice(null);
        setContents([{ materialId: null, quantity: null }]);
        setSupplier(null);
      },
      onError: (e) =>
        setProblem(
          e instanceof ApiError
            ? e.problem.errors.map((x) => `${x.path}: ${x.message}`).join('; ') || e.message
            : words(e),
        ),
    });
  };
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <h2>{text('packsBuy')}</h2>
        <List>
          {offers?.map((o) => (
            <li key={o.id}>
              <span>
                <b>{o.name}</b>
                <br />
                <Quiet>
                  {suppliers?.find((s) => s.id === o.supplierId)?.name}:{' '}
                  {o.contents.map((c) => `${c.quantity} ${nameOf(c.materialId)}`).join(', ')}
                </Quiet>
              </span>
              <b>{money(o.price)}</b>
              <Bin type="button" aria-label={text('delete3', { o: o.name })} onClick={() => setDeleting(o)}>
                <Trash2 size={18} aria-hidden />
              </Bin>
            </li>
          ))}
          {offers?.length === 0 && <li>{text('noPacksYet')}</li>}
        </List>
        {removeProblem && <Notice tone="stop">{removeProblem}</Notice>}
        <Confirm
          title={text('delete4', { deleting: deleting?.name ?? text('thisPack') })}
          words={text('priceRecordWhatCost')}
          yes={text('delete')}
          isOpen={deleting !== null}
          onYes={() => {
            const pack = deleting!;
            setDeleting(null);
            setRemoveProblem(null);
            remove.mutate(pack.id, {
              onSuccess: () => say(text('deleted2', { pack: pack.name })),
              onError: (e) => setRemoveProblem(words(e)),
            });
          }}
          onNo={() => setDeleting(null)}
        />
        <Seam />
        <Suppliers />
        <Seam />
        <h2>{text('addPack')}</h2>
        <Form onSubmit={submit}>
          <Stack $gap={10}>
            <TextField label={text('pack')} value={name} onChange={setName} hint={text('asSupplierCalls')} />
            <Select
              label={text('supplier')}
              value={supplier}
              onChange={setSupplier}
              options={[
                ...(suppliers ?? []).map((s) => ({
                  value: String(s.id),
                  label: s.name,
                  note: text('delivery', { delivery: money(s.delivery) }),
                })),
                { value: 'new', label: text('supplier2') },
              ]}
            />
            {supplier === 'new' && (
              <Two>
                <TextField label={text('suppliersName')} value={newSupplier} onChange={setNewSupplier} />
                <MoneyField label={text('delivery2')} minor={delivery} onChange={setDelivery} />
                <MoneyField label={text('freeFromIfEver')} minor={freeFrom} onChange={setFreeFrom} />
              </Two>
            )}
            {contents.map((c, i) => (
              <Two key={i}>
                <Select
                  label={i === 0 ? text('holds') : text('and')}
                  value={c.materialId === null ? null : String(c.materialId)}
                  onChange={(v) =>
                    setContents((all) => all.map((x, k) => (k === i ? { ...x, materialId: Number(v) } : x)))
                  }
                  options={materials.map((m) => ({ value: String(m.id), label: m.name }))}
                />
                <CountField
                  label={text('howMany')}
                  value={c.quantity}
                  onChange={(q) =>
                    setContents((all) => all.map((x, k) => (k === i ? { ...x, quantity: q } : x)))
                  }
                />
              </Two>
            ))}
            <MoneyField label={text('pricePack')} minor={price} onChange={setPrice} />
            {problem && <Notice tone="stop">{problem}</Notice>}
            <Row>
              <Button type="submit" small isDisabled={add.isPending}>
                {text('addPack2')}
              </Button>
              <Button
                small
                plain
                onPress={() => setContents((all) => [...all, { materialId: null, quantity: null }])}
              >
                {text('addMaterial')}
              </Button>
            </Row>
          </Stack>
        </Form>
      </Stack>
    </Panel>
  );
}
