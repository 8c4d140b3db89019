import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Copy, MissingPiece } from '../../../contract/lending.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Quiet, Spread, Stack } from '../../parts/Panel.tsx';

/** Kits that are listed before a name is typed. */
const FEW = 8;

/** A piece that turned up, under a sofa or in another bag. */
export function Found({ title }: { title: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Fold onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{title}</summary>
      {isOpen && <Homes />}
    </Fold>
  );
}

/** Where a piece belongs: kits that miss one, and a touch that brings it home. `but` is the kit that is being counted. */
export function Homes({ but }: { but?: number }) {
  const [typed, setTyped] = useState('');
  const { data: missing, error } = useQuery({
    queryKey: ['pieces', 'missing'],
    queryFn: () => api<MissingPiece[]>('GET', '/pieces/missing'),
  });
  const home = useChange((m: MissingPiece) =>
    api<Copy>('POST', `/copies/${m.copyId}/found`, { part: m.part, count: 1 }),
  );
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!missing) return <p role="status">Looking for kits that miss something …</p>;
  const wanted = typed.trim().toLowerCase();
  const fits = missing.filter(
    (m) => m.copyId !== but && `${m.name} ${m.kit} ${m.label}`.toLowerCase().includes(wanted),
  );
  const listed = wanted === '' ? fits.slice(0, FEW) : fits.slice(0, 50);
  return (
    <Stack $gap={8}>
      <TextField
        label="What is it?"
        value={typed}
        onChange={setTyped}
        hint="a piece, a kit or a label; all that miss something are listed"
      />
      {home.error && <Notice tone="stop">{words(home.error)}</Notice>}
      {listed.length === 0 ? (
        <Quiet>
          {missing.length === 0
            ? 'No kit misses anything. Put it on the shelf in Gather.'
            : 'No kit misses that. Put it on the shelf in Gather.'}
        </Quiet>
      ) : (
        <ul aria-label="Kits that miss it" style={{ display: 'grid', gap: 6 }}>
          {listed.map((m) => (
            <li key={`${m.copyId} ${m.part}`}>
              <Spread>
                <span>
                  <b>{m.label}</b> {m.kit}: {m.missing} × {m.name}
                  {!m.isHere && (
                    <>
                      <br />
                      <Quiet>it is out: put it in when it comes back</Quiet>
                    </>
                  )}
                </span>
                {m.isHere && (
                  <Button
                    small
                    plain
                    isDisabled={home.isPending}
                    aria-label={`One ${m.name} home to ${m.label}`}
                    onPress={() =>
                      home.mutate(m, { onSuccess: (c) => say(`${m.name} is back in ${c.label}.`) })
                    }
                  >
                    It belongs here
                  </Button>
                )}
              </Spread>
            </li>
          ))}
        </ul>
      )}
      {fits.length > listed.length && <Quiet>and {fits.length - listed.length} more: type what it is</Quiet>}
    </Stack>
  );
}
