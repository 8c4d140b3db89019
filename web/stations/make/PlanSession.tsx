import { useNavigate } from 'react-router';
import type { BatchRow } from '../../../contract/batches.ts';
import type { Design } from '../../../contract/designs.ts';
import type { Place } from '../../../contract/place.ts';
import { NO_DAYS } from '../../../core/plan/batch.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { useOpenDesign } from '../../design/store.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { sayProblem } from '../../parts/messages.ts';
import { useBatches } from './useBatch.ts';
import { text } from './text.ts';

/** Longest name that a making session may have. */
const LONGEST = 80;

/** From a design to the session in which it is made: the one that is planned already, else a new one with it in it. */
export function PlanSession({ design, count, place }: { design: Design; count: number; place: Place }) {
  const { data: batches } = useBatches();
  const flush = useOpenDesign((s) => s.flush);
  const go = useNavigate();
  const add = useChange(async () => {
    // What was dialled a moment ago is in the session.
    await flush();
    const end = text('sessionOf', { design: '', today: shortDay(place.today) });
    return api<BatchRow>('POST', '/batches', {
      name: `${design.name.slice(0, LONGEST - end.length)}${end}`,
      items: [{ designId: design.id, bundleId: null, copies: count }],
      days: { ...NO_DAYS, makers: [{ name: text('me'), windows: [] }] },
    });
  });
  const open = batches?.find((b) => b.state !== 'done' && b.items.some((i) => i.designId === design.id));
  // Nothing stands there until it is known which it is: no other button comes under the finger.
  if (!batches) return null;
  return open ? (
    <ButtonLink plain to={`/make/batches/${open.id}`}>
      {text('openSession', { name: open.name })}
    </ButtonLink>
  ) : (
    <Button
      plain
      isDisabled={add.isPending}
      onPress={() =>
        void add.mutateAsync(undefined).then(
          (b) => go(`/make/batches/${b.id}`),
          (error: unknown) => sayProblem(words(error)),
        )
      }
    >
      {text('planWhen')}
    </Button>
  );
}
