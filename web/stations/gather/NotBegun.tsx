import { useNavigate } from 'react-router';
import type { Design, DesignInput } from '../../../contract/designs.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Place } from '../../../contract/place.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { begunFrom, Startable, useSuggestions, useWishes } from '../../design/wishes.tsx';
import { Notice, Panel, Quiet, Seam, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Of one pattern so many sets of materials are shown: a choice, and no catalogue. */
const MOST = 3;

/** What the free stock allows without any design yet, by the same wishes as a new design: one press begins one. */
export function NotBegun({
  materials,
  free,
  place,
}: {
  materials: readonly MaterialRow[];
  free: readonly (readonly [number, number])[];
  place: Place;
}) {
  const navigate = useNavigate();
  const wishes = useWishes(place);
  const found = useSuggestions(wishes.wish, { free, materials, most: MOST });
  const start = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  return (
    <Panel as="section" id="new-designs" tabIndex={-1} aria-label={text('newDesignsYouCould')}>
      <Stack $gap={10}>
        <h2>{text('newDesignsYouCould')}</h2>
        <Quiet>{text('fromWhatIsFree')}</Quiet>
        {wishes.fields}
        <Seam />
        {start.error && <Notice tone="stop">{words(start.error)}</Notice>}
        <Startable
          found={found}
          materials={materials}
          isBusy={start.isPending}
          onStart={(s) =>
            void start.mutateAsync(begunFrom(s, wishes)).then(
              (d) => navigate(`/shape/${d.id}`),
              // What went wrong stands above the list.
              () => undefined,
            )
          }
        />
      </Stack>
    </Panel>
  );
}
