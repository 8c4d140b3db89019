import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { DesignFileLook } from '../../contract/designFile.ts';
import type { Design } from '../../contract/designs.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { Notice, Quiet, Row, Stack } from '../parts/Panel.tsx';
import { DesignFile } from './DesignFile.tsx';
import { PickFile } from './PickFile.tsx';
import { readFile } from './readFile.ts';
import { text } from './text.ts';

const Drop = styled.div`
  border-radius: 10px;
  display: grid;
  align-content: start;
  gap: 12px;
  &[data-over='true'] {
    background: var(--fox-tint);
    outline: 2px dashed var(--fox);
    outline-offset: 4px;
  }
`;
const Brings = styled.dl`
  margin: 0;
  display: grid;
  grid-template-columns: minmax(110px, auto) 1fr;
  gap: 5px 14px;
  dt {
    color: var(--slate);
  }
  dd {
    margin: 0;
  }
`;

const said = (value: unknown): string =>
  value === undefined ? text('leftOut') : typeof value === 'string' ? value : JSON.stringify(value);

/** The list of designs, which go out as files and come in from them: by a button, or dropped on the list. */
export function Files({
  open,
  children,
}: {
  /** The design that is open; null where there is none to save as a file. */
  open: number | null;
  /** What is dropped on, with the buttons where it wants them. */
  children: (buttons: React.ReactNode) => React.ReactNode;
}) {
  const [isOver, setOver] = useState(false);
  const [file, setFile] = useState<unknown>(null);
  const [look, setLook] = useState<DesignFileLook | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const add = useChange((takeNearest: boolean) =>
    api<Design>('POST', '/designs/file', { file, takeNearest }),
  );
  const close = (): void => {
    setLook(null);
    setProblem(null);
    add.reset();
  };
  const take = async (picked: File | undefined): Promise<void> => {
    setOver(false);
    if (!picked) return;
    close();
    try {
      const parsed = await readFile(picked);
      setFile(parsed);
      setLook(await api<DesignFileLook>('POST', '/designs/file/look', { file: parsed }));
    } catch (e) {
      setProblem(words(e));
    }
  };
  const start = async (): Promise<void> => {
    try {
      const made = await add.mutateAsync((look?.nearest.length ?? 0) > 0);
      close();
      await navigate(`/shape/${made.id}`);
    } catch {
      // What went wrong stands in the dialog.
    }
  };
  return (
    <>
      <Drop
        data-over={isOver}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          void take(e.dataTransfer.files[0]);
        }}
      >
        {children(
          <Row style={{ marginTop: 12 }}>
            <PickFile small label={text('designFile')} onPick={(f) => void take(f)}>
              {text('openFile')}
            </PickFile>
            {open !== null && (
              <DesignFile small href={`/api/designs/${open}/file`}>
                {text('saveAsFile')}
              </DesignFile>
            )}
          </Row>,
        )}
      </Drop>
      <Dialog
        title={look ? look.name : text('cannotOpened')}
        isOpen={look !== null || problem !== null}
        onClose={close}
      >
        <Stack $gap={12}>
          {problem && <Notice tone="stop">{problem}</Notice>}
          {look && (
            <>
              <Brings>
                <dt>{look.patternName}</dt>
                <dd>{look.title}</dd>
                <dt>{text('for')}</dt>
                <dd>
                  {look.forGroup}, {formatAges(look.ageFrom, look.ageTo)}
                </dd>
                {look.materials.map((m, i) => (
                  <div key={`${i}${m.name}`} style={{ display: 'contents' }}>
                    <dt>{m.role}</dt>
                    <dd>
                      {m.name} <Quiet>{m.id === null ? text('willAddedNKept') : text('onYourShelf')}</Quiet>
                    </dd>
                  </div>
                ))}
              </Brings>
              {look.isThere && <Notice tone="care">{text('designNameHereAlready')}</Notice>}
              {look.nearest.length > 0 && (
                <Notice tone="care">
                  {look.nearest.map((n) => (
                    <p key={n.dial}>
                      {text('taken', { dial: n.dial, was: said(n.was), why: n.why, is: said(n.is) })}
                    </p>
                  ))}
                </Notice>
              )}
              {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
            </>
          )}
          <Row>
            {look && (
              <Button isDisabled={add.isPending} onPress={() => void start()}>
                {look.nearest.length > 0 ? text('openNearest') : text('open')}
              </Button>
            )}
            <Button plain onPress={close}>
              {look ? text('leave') : text('close')}
            </Button>
          </Row>
        </Stack>
      </Dialog>
    </>
  );
}
