import { useEffect, useRef } from 'react';
import { useChange } from '../../data/queries.ts';
import { undoDone } from '../../data/undo.ts';
import { words } from '../../data/api.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** What was done last at the desk: in words, and how it is undone. */
export interface Last {
  readonly label: string;
  readonly words: string;
  /** What it is undone by; undefined where it cannot be. */
  readonly id: number | undefined;
  /** Loans that have a slip now. */
  readonly loans: readonly { readonly id: number; readonly label: string }[];
}
export type OnDone = (last: Omit<Last, 'label'>) => void;

/** Stands where the buttons were that did it: the next press is meant for something else. */
export function JustDone({
  last,
  onAgain,
  onUndone,
}: {
  last: Last;
  /** Opens the kit as it stands now. */
  onAgain(): void;
  onUndone(): void;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const undo = useChange(
    () => undoDone(last.id!, text('undoneAtDesk')),
    () => text('undone', { label: last.label }),
  );
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <h2 ref={heading} tabIndex={-1} style={{ outline: 'none', fontSize: 19 }}>
          {last.words}
        </h2>
        {last.loans.length > 0 && (
          <Row>
            {last.loans.map((l) => (
              <FileLink
                key={l.id}
                small
                href={`/api/loans/${l.id}/slip.pdf`}
                aria-label={text('slipOf', { label: l.label })}
              >
                {last.loans.length > 1 ? text('slipOf', { label: l.label }) : text('printSlip')}
              </FileLink>
            ))}
          </Row>
        )}
        {undo.error && <Notice tone="stop">{words(undo.error)}</Notice>}
        <Row>
          {last.id !== undefined && (
            <Button
              small
              plain
              isDisabled={undo.isPending}
              onPress={() => undo.mutate(undefined, { onSuccess: onUndone })}
            >
              {text('undo')}
            </Button>
          )}
          <Button small plain onPress={onAgain}>
            {text('goOnWith', { label: last.label })}
          </Button>
        </Row>
        <Quiet>{text('scanTheNext')}</Quiet>
      </Stack>
    </Panel>
  );
}
