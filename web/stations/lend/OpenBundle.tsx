import { useState } from 'react';
import type { BundleFileLook } from '../../../contract/designFile.ts';
import type { Bundle } from '../../../contract/bundles.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { PickFile } from '../../design/PickFile.tsx';
import { readFile } from '../../design/readFile.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** A kit's file from another place: what it brings is seen first, then it is opened. */
export function OpenBundle() {
  const [file, setFile] = useState<unknown>(null);
  const [look, setLook] = useState<BundleFileLook | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const hasNearest = look?.designs.some((d) => d.nearest.length > 0) ?? false;
  const add = useChange(() => api<Bundle>('POST', '/bundles/file', { file, takeNearest: hasNearest }));
  const close = (): void => {
    setLook(null);
    setProblem(null);
    add.reset();
  };
  const take = async (picked: File | undefined): Promise<void> => {
    if (!picked) return;
    close();
    try {
      const parsed = await readFile(picked);
      setFile(parsed);
      setLook(await api<BundleFileLook>('POST', '/bundles/file/look', { file: parsed }));
    } catch (e) {
      setProblem(words(e));
    }
  };
  const materials = look?.designs.flatMap((d) => d.materials) ?? [];
  const fresh = [...new Set(materials.filter((m) => m.id === null).map((m) => m.name))];
  return (
    <>
      <PickFile label={text('kitFile')} onPick={(f) => void take(f)}>
        {text('openKitsFile')}
      </PickFile>
      <Dialog
        title={look?.name ?? text('cannotOpened')}
        isOpen={look !== null || problem !== null}
        onClose={close}
      >
        <Stack $gap={12}>
          {problem && <Notice tone="stop">{problem}</Notice>}
          {look?.designs.map((d) => (
            <div key={d.name}>
              <b>{d.name}</b>{' '}
              <Quiet>
                {d.patternName}: {d.title}
              </Quiet>
              {d.nearest.map((n) => (
                <Notice key={n.dial} tone="care">
                  {text('taken', { dial: n.dial, why: n.why, is: JSON.stringify(n.is) ?? text('leftOut') })}
                </Notice>
              ))}
            </div>
          ))}
          {look && (
            <p>
              {fresh.length === 0
                ? text('allMaterialsOnYour')
                : text('willAddedYourShelf', { fresh: fresh.join(', ') })}
            </p>
          )}
          {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
          <Row>
            {look && (
              <Button isDisabled={add.isPending} onPress={() => add.mutate(undefined, { onSuccess: close })}>
                {hasNearest ? text('openNearest') : text('open4')}
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
