import { useState } from 'react';
import type { HandAnswer } from '../../contract/photo.ts';
import { FINGERS, type Hand } from '../../core/child/hand.ts';
import { formatLength, type LengthUnit } from '../../core/measure/length.ts';
import { Button } from '../parts/Button.tsx';
import { Quiet, Row, Stack } from '../parts/Panel.tsx';
import { Arrived } from './Arrived.tsx';
import { PhotoFrame, WIDE } from './PhotoPicture.tsx';
import { TakePhoto } from './TakePhoto.tsx';
import { Beside, usePhotoUrl } from './TracePhoto.tsx';
import { text } from './text.ts';

const HAND_EXAMPLE = ['/examples/hand.jpg'];

/** A hand as it was measured, drawn over its photo. */
function HandPicture({ src, answer }: { src: string; answer: HandAnswer }) {
  const high = (WIDE * answer.photo.height) / answer.photo.width;
  const at = ([x, y]: readonly [number, number]): string =>
    `${(x * WIDE).toFixed(1)} ${(y * high).toFixed(1)}`;
  const { outline, fingers, across } = answer.seen;
  const lines = [
    `M${outline.map(at).join('L')}Z`,
    ...fingers.map((f) => `M${at(f.tip)}L${at(f.foot)}`),
    `M${at(across[0])}L${at(across[1])}`,
    `M${at(fingers[0]!.tip)}L${at(fingers[4]!.tip)}`,
  ];
  return (
    <PhotoFrame>
      <img src={src} alt="" />
      <svg viewBox={`0 0 ${WIDE} ${high}`} role="img" aria-label={text('handFound')}>
        {lines.map((d, i) => (
          <g key={d} fill="none" strokeDasharray={i === lines.length - 1 ? '7 5' : undefined}>
            <path d={d} stroke="var(--ink)" strokeWidth={5} />
            <path d={d} stroke={i === 0 ? '#fff' : 'var(--fox)'} strokeWidth={2.5} />
          </g>
        ))}
      </svg>
    </PhotoFrame>
  );
}

/** What a photo of a hand says of it. The photo is looked at here and gone when this is closed. */
export function HandPhoto({
  unit,
  onHand,
  onClose,
}: {
  unit: LengthUnit;
  onHand(part: Pick<Hand, 'breadth' | 'span' | 'fingers'>): void;
  onClose(): void;
}) {
  const [taken, setTaken] = useState<{ answer: HandAnswer; photo: Blob } | null>(null);
  const src = usePhotoUrl(taken?.photo ?? null);
  if (!taken)
    return (
      <Stack $gap={10}>
        <TakePhoto<HandAnswer>
          path="/photo/hand"
          how={text('layHand')}
          examples={HAND_EXAMPLE}
          onAnswer={(answer, photo) => setTaken({ answer, photo })}
        />
        <Row>
          <Button plain onPress={onClose}>
            {text('noHandPhoto')}
          </Button>
        </Row>
      </Stack>
    );
  const { answer } = taken;
  const mm = (v: number): string => formatLength(Math.round(v), unit);
  const whole = (v: number): number => Math.round(v);
  return (
    <Arrived>
      {src && (
        <Beside>
          <HandPicture src={src} answer={answer} />
        </Beside>
      )}
      <p role="status">
        {text('handSays', {
          span: mm(answer.span),
          breadth: mm(answer.breadth),
          within: mm(Math.max(1, 2 * answer.uncertainty)),
        })}
      </p>
      <p>
        {text('fingersSay', {
          lengths: FINGERS.map((f) => `${text(`finger_${f}`)} ${mm(answer.lengths[f])}`).join(', '),
        })}
      </p>
      <Quiet>{text('handWhy')}</Quiet>
      <Row>
        <Button
          onPress={() =>
            onHand({
              span: whole(answer.span),
              breadth: whole(answer.breadth),
              fingers: {
                thumb: whole(answer.lengths.thumb),
                first: whole(answer.lengths.first),
                middle: whole(answer.lengths.middle),
                ring: whole(answer.lengths.ring),
                little: whole(answer.lengths.little),
              },
            })
          }
        >
          {text('takeMeasures')}
        </Button>
        <Button plain onPress={() => setTaken(null)}>
          {text('anotherPhoto')}
        </Button>
      </Row>
    </Arrived>
  );
}
