import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Kit, MissingPiece } from '../../../contract/lending.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Notice, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

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
  const home = useChange(
    (m: MissingPiece) => api<Kit>('POST', `/kits/${m.kitId}/found`, { part: m.part, count: 1 }),
    (c, m) => text('back', { m: m.name, c: c.label }),
  );
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!missing) return <p role="status">{text('lookingKitsMissSomething')}</p>;
  const wanted = typed.trim().toLowerCase();
  const fits = missing.filter(
    (m) => m.kitId !== but && `${m.name} ${m.kit} ${m.label}`.toLowerCase().includes(wanted),
  );
  const listed = wanted === '' ? fits.slice(0, FEW) : fits.slice(0, 50);
  return (
    <Stack $gap={8}>
      <TextField label={text('what')} value={typed} onChange={setTyped} hint={text('pieceKitOrLabel')} />
      {home.error && <Notice tone="stop">{words(home.error)}</Notice>}
      {listed.length === 0 ? (
        <Quiet>{missing.length === 0 ? text('noKitMissesAnything') : text('noKitMissesPut')}</Quiet>
      ) : (
        <ul aria-label={text('kitsMiss')} style={{ display: 'grid', gap: 6 }}>
          {listed.map((m) => (
            <li key={`${m.kitId} ${m.part}`}>
              <Spread>
                <span>
                  <b>{m.label}</b> {m.kit}: {m.missing} × {m.name}
                  {!m.isHere && (
                    <>
                      <br />
                      <Quiet>{text('outPutWhenComes')}</Quiet>
                    </>
                  )}
                </span>
                {m.isHere && (
                  <Button
                    small
                    plain
                    isDisabled={home.isPending}
                    aria-label={text('oneHome', { m: m.name, m2: m.label })}
                    onPress={() => home.mutate(m)}
                  >
                    {text('belongsHere')}
                  </Button>
                )}
              </Spread>
            </li>
          ))}
        </ul>
      )}
      {fits.length > listed.length && (
        <Quiet>{text('moreTypeWhat', { fits: fits.length - listed.length })}</Quiet>
      )}
    </Stack>
  );
}
