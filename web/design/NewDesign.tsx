import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Design, DesignInput } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { reservedStock } from '../../core/needs/supply.ts';
import { freeOf } from '../../core/plan/makeable.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { Notice, Row, Seam, Stack } from '../parts/Panel.tsx';
import { useNeeds } from './onBench.ts';
import { OtherDesigns } from './OtherDesigns.tsx';
import { begunFrom, Startable, useSuggestions, useWishes } from './wishes.tsx';
import { text } from './text.ts';

/** Three touches to a design: which skill, for whom, what is at hand; then a pattern that the free stock can make. */
export function NewDesign({
  isOpen,
  onClose,
  materials,
  place,
}: {
  isOpen: boolean;
  onClose(): void;
  materials: MaterialRow[];
  place: Place;
}) {
  const bench = useNeeds();
  const navigate = useNavigate();
  const add = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  const free = useMemo(
    () => (bench && isOpen ? [...freeOf(materials, reservedStock(bench))] : null),
    [materials, bench, isOpen],
  );
  const wishes = useWishes(place);
  const { whom } = wishes;
  const found = useSuggestions(wishes.wish, { free, materials, most: 1 });
  const begin = async (input: DesignInput): Promise<void> => {
    try {
      const made = await add.mutateAsync(input);
      onClose();
      await navigate(`/shape/${made.id}`);
    } catch {
      // What went wrong stands above the list.
    }
  };
  const copy = ({ id: _, version: __, made: ___, ...d }: Design): Promise<void> =>
    begin({
      ...d,
      name: d.ownName === false ? d.name : text('copy', { d: d.name.slice(0, 66) }),
      forGroup: whom.group,
      ageFrom: whom.ageFrom,
      ageTo: whom.ageTo,
      copies: 1,
      onBench: true,
    });
  return (
    <Dialog title={text('newDesign')} isOpen={isOpen} onClose={onClose} wide>
      <Stack $gap={12}>
        {wishes.fields}
        <Seam />
        {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
        <Startable found={found} isBusy={add.isPending} onStart={(s) => void begin(begunFrom(s, wishes))} />
        <OtherDesigns
          skill={wishes.wish.skill}
          materials={materials}
          isBusy={add.isPending}
          onStart={(d) => void copy(d)}
        />
        <Row>
          <Button plain onPress={onClose}>
            {text('cancel')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
