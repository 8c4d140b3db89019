import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { SHEET_PAPER_NAMES } from '../../core/photo/sheet.ts';
import { ApiError, words } from '../data/api.ts';
import { sendFile } from '../data/sendFile.ts';
import { usePlace } from '../data/queries.ts';
import { cameraProblem } from '../devices/camera.ts';
import { Button } from '../parts/Button.tsx';
import { Choice } from '../parts/Choice.tsx';
import { FileLink } from '../parts/FileLink.tsx';
import { Notice, Quiet, Row, Stack } from '../parts/Panel.tsx';
import { LengthField } from '../parts/TypedField.tsx';
import { text } from './text.ts';

/** What the bar of the sheet measures, as it was typed last in this tab: the next photo is of the same sheet. */
let lastBar: number | null = null;
/** Photos that were never taken, to try with. */
const EXAMPLES = ['/examples/sheet-1.jpg', '/examples/sheet-2.jpg', '/examples/sheet-3.jpg'];

const Video = styled.video`
  width: 100%;
  border-radius: 10px;
  background: var(--ink);
`;

/** The camera of this machine: a still picture of what it sees. */
function LiveCamera({ onPhoto, onClose }: { onPhoto(photo: Blob): void; onClose(): void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let isOver = false;
    const open = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 4096 }, height: { ideal: 3072 } },
        });
      } catch (error) {
        if (!isOver) setProblem(cameraProblem(error));
        return;
      }
      const shown = video.current;
      if (isOver || !shown) return stream.getTracks().forEach((t) => t.stop());
      shown.srcObject = stream;
      await shown.play();
    };
    open().catch((e: unknown) => !isOver && setProblem(words(e)));
    return () => {
      isOver = true;
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, []);
  const take = (): void => {
    const shown = video.current;
    if (!shown || shown.videoWidth === 0) return;
    const canvas = document.createElement('canvas');
    canvas.width = shown.videoWidth;
    canvas.height = shown.videoHeight;
    canvas.getContext('2d')?.drawImage(shown, 0, 0);
    canvas.toBlob((photo) => photo && onPhoto(photo), 'image/jpeg', 0.92);
  };
  return (
    <Stack $gap={8}>
      {problem === null ? (
        <Video ref={video} muted playsInline aria-label={text('whatCameraSees')} />
      ) : (
        <Notice tone="care">{problem}</Notice>
      )}
      <Row>
        {problem === null && <Button onPress={take}>{text('takeIt')}</Button>}
        <Button plain onPress={onClose}>
          {text('closeCamera')}
        </Button>
      </Row>
    </Stack>
  );
}

/** A photo of the sheet by camera, file, paste or example, sent to a door that answers what it tells. */
export function TakePhoto<T>({
  path,
  onAnswer,
  how = text('layThings'),
  examples = EXAMPLES,
  exampleWords,
}: {
  /** The door, with its query but for the bar’s length. */
  path: string;
  onAnswer(answer: T, photo: Blob): void;
  /** What to lay on the sheet, and how. */
  how?: string;
  /** Photos that were never taken, to try with. */
  examples?: readonly string[];
  /** What a single one is called. */
  exampleWords?: string;
}) {
  const { data: place } = usePlace();
  const input = useRef<HTMLInputElement>(null);
  const [isLive, setLive] = useState(false);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [paper, setPaper] = useState<string | null>(null);
  const [bar, setOwnBar] = useState(lastBar);
  const setBar = (mm: number | null): void => {
    lastBar = mm;
    setOwnBar(mm);
  };
  const chosen = paper ?? place?.paper ?? SHEET_PAPER_NAMES[0];
  const send = async (photo: Blob): Promise<void> => {
    setLive(false);
    setProblem(null);
    setShare(0);
    try {
      const at = `${path}${bar === null ? '' : `${path.includes('?') ? '&' : '?'}bar=${bar}`}`;
      onAnswer(await sendFile<T>(at, photo, { type: photo.type, told: setShare }), photo);
    } catch (error) {
      setProblem(error instanceof ApiError ? error.problem.detail : words(error));
    } finally {
      setShare(null);
    }
  };
  const latest = useRef(send);
  useEffect(() => {
    latest.current = send;
  });
  useEffect(() => {
    const paste = (e: ClipboardEvent): void => {
      const at = e.target;
      if (at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement) return;
      const photo = [...(e.clipboardData?.files ?? [])].find((f) => f.type.startsWith('image/'));
      if (photo) void latest.current(photo);
      else setProblem(text('notAPhoto'));
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, []);
  const isBusy = share !== null;
  return (
    <Stack $gap={10}>
      <p>{how}</p>
      {isLive ? (
        <LiveCamera onPhoto={(photo) => void send(photo)} onClose={() => setLive(false)} />
      ) : (
        <Row>
          <Button isDisabled={isBusy} onPress={() => input.current?.click()}>
            {text('takePhoto')}
          </Button>
          <Button plain isDisabled={isBusy} onPress={() => setLive(true)}>
            {text('useCamera')}
          </Button>
        </Row>
      )}
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png"
        hidden
        aria-label={text('photoOfSheet')}
        onChange={(e) => {
          const photo = e.target.files?.[0];
          if (photo) void send(photo);
          // The same file may be chosen again.
          e.target.value = '';
        }}
      />
      {isBusy ? (
        <p role="status">
          {share < 1 ? text('sending', { percent: Math.round(100 * share) }) : text('measuring')}
        </p>
      ) : (
        <Quiet>{text('orPaste')}</Quiet>
      )}
      {problem && <Notice tone="stop">{problem}</Notice>}
      <Row>
        <Quiet>{text('noPhoto')}</Quiet>
        {examples.map((src, i) => (
          <Button
            key={src}
            plain
            small
            isDisabled={isBusy}
            onPress={() =>
              void fetch(src)
                .then((r) => r.blob())
                .then(send, (e: unknown) => setProblem(words(e)))
            }
          >
            {examples.length === 1 ? (exampleWords ?? text('theExample')) : text('example', { n: i + 1 })}
          </Button>
        ))}
      </Row>
      <Row>
        <Choice
          label={text('paper')}
          value={chosen}
          onChange={setPaper}
          options={SHEET_PAPER_NAMES.map((p) => ({ value: p, label: p }))}
        />
        <FileLink href={`/api/photo/sheet.pdf?paper=${chosen}`}>{text('printSheet')}</FileLink>
        <div style={{ width: 190 }}>
          <LengthField label={text('barLong')} mm={bar} unit="mm" onChange={setBar} />
        </div>
      </Row>
      <Quiet>
        {text('barWhy')} {text('clearThings')}
      </Quiet>
    </Stack>
  );
}
