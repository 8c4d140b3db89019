import { useState } from 'react';
import type { PhotoAnswer } from '../../../contract/photo.ts';
import { catalogue } from '../../../core/catalogue/index.ts';
import { catalogueKinds, shelfKinds } from '../../../core/photo/kinds.ts';
import { withSecond } from '../../../core/photo/twoViews.ts';
import { useMaterials } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Notice, Row, Stack } from '../../parts/Panel.tsx';
import { say } from '../../parts/messages.ts';
import { TakePhoto } from '../../photo/TakePhoto.tsx';
import { text } from './text.ts';

/** A second photo of the same things from another side: how high each is follows from the two. */
export function SecondPhoto({
  first,
  onMended,
  onClose,
}: {
  first: PhotoAnswer;
  onMended(answer: PhotoAnswer): void;
  onClose(): void;
}) {
  const { data: materials = [] } = useMaterials();
  const [problem, setProblem] = useState<string | null>(null);
  const mend = (second: PhotoAnswer): void => {
    const kinds = [...shelfKinds(materials), ...catalogueKinds(catalogue, materials)];
    const found = withSecond(first, second, kinds);
    if (typeof found === 'string') {
      setProblem(text(`second_${found}`));
      return;
    }
    const { things, told } = found;
    // What was said of heights that are known now is not said any more.
    const kept = first.warnings.map((_, i) => !told.includes(first.about[i] ?? -1));
    onMended({
      ...first,
      things,
      warnings: first.warnings.filter((_, i) => kept[i]),
      about: first.about.filter((_, i) => kept[i]),
    });
    say(text('heightsTold', { told: told.length, things: things.length }));
    onClose();
  };
  return (
    <Dialog title={text('secondTitle')} isOpen onClose={onClose} wide>
      <Stack $gap={10}>
        <TakePhoto<PhotoAnswer>
          path="/photo/measure"
          how={text('secondHow')}
          examples={EXAMPLES}
          exampleWords={text('otherSide')}
          onAnswer={mend}
        />
        {problem && <Notice tone="stop">{problem}</Notice>}
        <Row>
          <Button plain onPress={onClose}>
            {text('leave')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

/** The first example from the other side. */
const EXAMPLES = ['/examples/sheet-1b.jpg'];
