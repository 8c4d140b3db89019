import { useEffect, useState } from 'react';
import type { Kit } from '../../../contract/lending.ts';
import type { PhotoCountAnswer } from '../../../contract/photo.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Notice, Quiet, Row } from '../../parts/Panel.tsx';
import { Arrived } from '../../photo/Arrived.tsx';
import { PhotoPicture, type Mark } from '../../photo/PhotoPicture.tsx';
import { TakePhoto } from '../../photo/TakePhoto.tsx';
import { SewnButton } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

/** Counts the pieces of a kit by a photo; what it says goes into the counters, where a person confirms it. */
export function CountPhoto({
  kit,
  onFill,
  onClose,
}: {
  kit: Kit;
  /** How many of each part were seen, by its name; what a photo cannot count is left out. */
  onFill(seen: ReadonlyMap<string, number>): void;
  onClose(): void;
}) {
  const [counted, setCounted] = useState<{ answer: PhotoCountAnswer; src: string } | null>(null);
  useEffect(() => () => void (counted && URL.revokeObjectURL(counted.src)), [counted]);
  const answer = counted?.answer;
  const partOf = (thing: number) => answer?.parts.find((p) => p.things.includes(thing));
  const markOf = (thing: number): Mark => {
    const part = partOf(thing);
    return !part ? 'stranger' : part.sure ? 'plain' : 'unsure';
  };
  return (
    <Dialog title={text('countByPhoto', { kit: kit.label })} isOpen onClose={onClose} wide>
      {!counted || !answer ? (
        <TakePhoto<PhotoCountAnswer>
          path={`/photo/count?kit=${kit.id}`}
          onAnswer={(found, photo) => setCounted({ answer: found, src: URL.createObjectURL(photo) })}
        />
      ) : (
        <Arrived>
          <PhotoPicture src={counted.src} answer={answer.measured} markOf={markOf} />
          <ul aria-label={text('countedByPhoto')}>
            {answer.parts.map((p) => (
              <li key={p.name} style={{ display: 'flex', gap: 8, padding: '4px 0' }}>
                <SewnButton kind={p.seen < p.of ? 'stop' : p.sure ? 'clear' : 'care'} size={20} />
                <span>
                  {text('seenOf', { seen: p.seen, of: p.of, name: p.name })}
                  {p.seen > 0 && !p.sure && ` ${text('lookTwice')}`}
                </span>
              </li>
            ))}
          </ul>
          {answer.strangers.length > 0 && (
            <Notice tone="care">
              {text('strangers', {
                n: answer.strangers.length,
                numbers: answer.strangers.map((i) => i + 1).join(', '),
              })}
            </Notice>
          )}
          {answer.byHand.length > 0 && (
            <Quiet>{text('countByHand', { parts: answer.byHand.map((p) => p.name).join(', ') })}</Quiet>
          )}
          {answer.measured.warnings.map((w) => (
            <Quiet key={w}>{w}</Quiet>
          ))}
          <Row>
            <Button
              onPress={() => {
                onFill(new Map(answer.parts.map((p) => [p.name, p.seen])));
                onClose();
              }}
            >
              {text('fillIn')}
            </Button>
            <Button plain onPress={() => setCounted(null)}>
              {text('photoAgain')}
            </Button>
          </Row>
          <Quiet>{text('photoConfirms')}</Quiet>
        </Arrived>
      )}
    </Dialog>
  );
}
