import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { cameraProblem, frameOf, labelIn } from '../../devices/camera.ts';
import { words } from '../../data/api.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const Picture = styled.video`
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border-radius: 10px;
  background: var(--ink);
`;
/** Pause between two looks at the picture, ms: a label is read while it is still being held up. */
const PAUSE = 120;

/** Reads labels with the camera of a phone or laptop, or from a photo; each goes to `onLabel` and closes it. */
export function CameraScan({ onLabel, onClose }: { onLabel(label: string): void; onClose(): void }) {
  const video = useRef<HTMLVideoElement>(null);
  const photo = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const found = useRef(onLabel);
  useEffect(() => {
    found.current = onLabel;
  });
  useEffect(() => {
    let stream: MediaStream | null = null;
    let isOver = false;
    const canvas = document.createElement('canvas');
    const look = async (): Promise<void> => {
      if (isOver) return;
      const frame = video.current && frameOf(video.current, canvas);
      if (frame) {
        const { label, code } = await labelIn(frame);
        if (isOver) return;
        if (label !== null) {
          isOver = true;
          navigator.vibrate?.(60);
          found.current(label);
          return;
        }
        if (code !== null) setTold(text('noLabelKit', { code: code.slice(0, 40) }));
      }
      setTimeout(() => void look().catch((e: unknown) => setProblem(words(e))), PAUSE);
    };
    const open = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 1280 } },
        });
      } catch (error) {
        if (!isOver) setProblem(cameraProblem(error));
        return;
      }
      const shown = video.current;
      if (isOver || !shown) return stream.getTracks().forEach((t) => t.stop());
      shown.srcObject = stream;
      await shown.play();
      await look();
    };
    open().catch((e: unknown) => !isOver && setProblem(words(e)));
    return () => {
      isOver = true;
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, []);
  const readPhoto = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setTold(text('readingPhoto'));
    try {
      const { label, code } = await labelIn(file);
      if (label !== null) return onLabel(label);
      setTold(code !== null ? text('noLabelKit', { code: code.slice(0, 40) }) : text('noLabelWasFound'));
    } catch {
      setTold(text('readerCodesCouldNot'));
    }
  };
  return (
    <Dialog title={text('holdLabelBeforeCamera')} isOpen onClose={onClose}>
      <Stack $gap={10}>
        {problem === null ? (
          <Picture ref={video} muted playsInline aria-label={text('whatCameraSees')} />
        ) : (
          <Notice tone="care">{problem}</Notice>
        )}
        <Quiet role="status">{told ?? text('eitherCodeLabelWill')}</Quiet>
        <Row>
          <Button plain={problem === null} onPress={() => photo.current?.click()}>
            {text('takePhoto')}
          </Button>
          <Button plain onPress={onClose}>
            {text('close')}
          </Button>
        </Row>
        <input
          ref={photo}
          type="file"
          accept="image/*"
          capture="environment"
          hidden
          aria-label={text('photoLabel')}
          onChange={(e) => {
            void readPhoto(e.target.files?.[0]);
            // The same file may be chosen again.
            e.target.value = '';
          }}
        />
      </Stack>
    </Dialog>
  );
}
