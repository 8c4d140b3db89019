import { useQuery } from '@tanstack/react-query';
import type { MaterialRow } from '../../../contract/materials.ts';
import { missingWords } from '../../../core/price/priceWords.ts';
import { asMeasured } from '../../../core/materials/material.ts';
import { reservedStock } from '../../../core/needs/supply.ts';
import { freeOf } from '../../../core/plan/makeable.ts';
import { substitutes } from '../../../core/plan/substitute.ts';
import { useRules } from '../../data/queries.ts';
import type { AtBench } from '../../design/DesignBench.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { say } from '../../parts/messages.ts';
import { Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** What is short of a material that no pack has, each or mm. */
export interface Short {
  readonly material: MaterialRow;
  readonly wanted: number;
  readonly short: number;
}

/** What to do about a material that cannot be bought: take another from the shelf, or save some. */
export function Missing({ at, short: { material, wanted, short } }: { at: AtBench; short: Short }) {
  const { design, light, materials, bench } = at;
  const { data: rules } = useRules();
  const change = useOpenDesign((s) => s.change);
  const free = freeOf(materials, reservedStock(bench, design.id));
  const { data: instead } = useQuery({
    queryKey: ['instead', design.dials, design.materials, material.id, wanted, [...free], rules?.version],
    // A fit for each: not in the same breath as what is painted now.
    queryFn: async () => {
      await new Promise((go) => setTimeout(go));
      return substitutes({
        pattern: light.pattern,
        at: light.at,
        short: { id: material.id, wanted },
        materials: materials.map(asMeasured),
        free,
        by: {
          youngest: design.ageFrom,
          mouths: design.mouths,
          market: rules!.market,
          rules: rules!.rules,
        },
      });
    },
    enabled: rules !== undefined,
    staleTime: Infinity,
  });
  const take = (to: { readonly id: number; readonly name: string }): void => {
    change({
      materials: Object.fromEntries(
        Object.entries(design.materials).map(([role, ids]) => [
          role,
          ids.map((id) => (id === material.id ? to.id : id)),
        ]),
      ),
    });
    say(text('takenInstead', { to: to.name, from: material.name }));
  };
  return (
    <Stack $gap={6}>
      <b>
        {text('isMissing', {
          what: missingWords({ name: material.name, short, unit: material.unit }, at.place.lengthUnit),
        })}
      </b>
      <Row>
        {instead?.map((m) => (
          <Button key={m.id} small plain onPress={() => take(m)}>
            {text('useInstead', { what: m.name })}
          </Button>
        ))}
        <ButtonLink small plain to={`/gather/saving?design=${design.id}`}>
          {text('saveSome')}
        </ButtonLink>
        <ButtonLink small plain to={`/gather?material=${material.id}`}>
          {text('addPack')}
        </ButtonLink>
      </Row>
      {instead?.length === 0 && <Quiet>{text('nothingInstead', { what: material.name })}</Quiet>}
    </Stack>
  );
}
