import { styled } from 'styled-components';
import type { LengthUnit } from '../../../core/measure/length.ts';
import {
  CLEAN,
  CLOSES,
  CRUSHED,
  DRY,
  FRONT,
  HELD,
  SHARP,
  SMELL,
  type Look,
} from '../../../core/gather/lookOver.ts';
import { Choice } from '../../parts/Choice.tsx';
import { LengthField } from '../../parts/TypedField.tsx';
import { text } from './text.ts';

/** Many answers in few rows; the largest hole or gap is typed beside the lid's question. */
const Line = styled.div<{ $gap: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) ${(p) => p.$gap && '206px'};
  gap: 12px;
  label[data-rac] {
    padding: 0 7px;
  }
  > div:last-child:not(:first-child) {
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

type Asked = Exclude<keyof Look, 'gap'>;

/** The questions in the order they are asked, with the key that turns each. */
export const QUESTIONS: readonly {
  readonly id: Asked;
  readonly key: string;
  readonly label: string;
  readonly answers: readonly string[];
  readonly containerOnly?: boolean;
}[] = [
  { id: 'clean', key: '1', label: text('clean2'), answers: CLEAN },
  { id: 'dry', key: '2', label: text('dry'), answers: DRY },
  { id: 'smell', key: '3', label: text('smell'), answers: SMELL },
  { id: 'held', key: '4', label: text('whatWas'), answers: HELD },
  { id: 'closes', key: '5', label: text('closes'), answers: CLOSES, containerOnly: true },
  { id: 'sharp', key: '6', label: text('sharp'), answers: SHARP },
  { id: 'crushed', key: '7', label: text('crushed'), answers: CRUSHED },
  { id: 'front', key: '8', label: text('front'), answers: FRONT, containerOnly: true },
];

/** Answers whose name in files is not the plainest on screen. */
const ANSWERS: Readonly<Record<string, string>> = {
  'can be made good': text('canFixed'),
  'cannot be made good': text('cannotFixed'),
};

/** The next answer of a question, round and round. */
export function turned(look: Look, id: Asked): Look {
  const { answers } = QUESTIONS.find((q) => q.id === id)!;
  return { ...look, [id]: answers[(answers.indexOf(look[id]) + 1) % answers.length] };
}

/** All questions about one find; what only a container has is asked of containers. */
export function Questions({
  look,
  unit,
  container,
  onChange,
}: {
  look: Look;
  unit: LengthUnit;
  container: boolean;
  onChange(part: Partial<Look>): void;
}) {
  return (
    <>
      {QUESTIONS.filter((q) => container || !q.containerOnly).map((q) => (
        <Line key={q.id} $gap={q.id === 'closes'}>
          <Choice
            inline
            label={`${q.key} · ${q.label}`}
            value={look[q.id]}
            onChange={(v) => onChange({ [q.id]: v })}
            options={q.answers.map((a) => ({ value: a, label: ANSWERS[a] ?? a }))}
          />
          {q.id === 'closes' && (
            <LengthField
              label={text('largestGap')}
              mm={look.gap === 0 ? null : look.gap}
              unit={unit}
              onChange={(mm) => onChange({ gap: mm ?? 0 })}
            />
          )}
        </Line>
      ))}
    </>
  );
}
