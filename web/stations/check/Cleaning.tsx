import { useState } from 'react';
import { dilute, DilutionError, type StrengthUnit } from '../../../core/cleaning/dilution.ts';
import { cleaningOf, type Cleaning as How } from '../../../core/materials/material.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Design } from '../../../contract/designs.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const HOW: Record<How, string> = {
  wash: text('washWarmRinseAir'),
  wipe: text('wipeLetDry'),
  rest: text('cannotWashedQuarantine'),
  none: text('cannotCleanedChildThen'),
};

const number = (text: string): number => Number(text.replace(',', '.'));
const ml = (x: number): string => text('ml', { x: x < 10 ? Math.round(x * 10) / 10 : Math.round(x) });

/** How much of a cleaner and how much water, from the product’s own label. */
function Dilution({ onClose }: { onClose(): void }) {
  const [from, setFrom] = useState('');
  const [fromUnit, setFromUnit] = useState<StrengthUnit>('%');
  const [to, setTo] = useState('');
  const [toUnit, setToUnit] = useState<StrengthUnit>('ppm');
  const [volume, setVolume] = useState('1000');
  const units = [
    { value: '%', label: '%' },
    { value: 'ppm', label: 'ppm' },
  ];
  const all = [from, to, volume];
  const isTyped = all.every((t) => t.trim() !== '');
  const isRead = all.every((t) => number(t) > 0);
  let said: string | null = null;
  let problem: string | null = isTyped && !isRead ? text('expectedThreeNumbersOver') : null;
  if (isTyped && isRead)
    try {
      const d = dilute({
        from: { value: number(from), unit: fromUnit },
        to: { value: number(to), unit: toUnit },
        volume: number(volume),
      });
      said = text('productWater1Part', {
        product: ml(d.product),
        water: ml(d.water),
        parts: d.parts < 10 ? d.parts.toFixed(1) : Math.round(d.parts),
      });
    } catch (e) {
      if (!(e instanceof DilutionError)) throw e;
      problem = `${e.path.startsWith('from') ? text('onBottle') : text('asked')}: ${e.message}.`;
    }
  return (
    <Dialog title={text('mixCleaner')} isOpen onClose={onClose}>
      <Stack>
        <Quiet>{text('bothNumbersComeFrom')}</Quiet>
        <TextField
          label={text('onBottle')}
          inputMode="decimal"
          value={from}
          onChange={setFrom}
          suffix={fromUnit}
        />
        <Choice
          label={text('unitOnBottle')}
          value={fromUnit}
          onChange={(v) => setFromUnit(v as StrengthUnit)}
          options={units}
        />
        <TextField label={text('asked')} inputMode="decimal" value={to} onChange={setTo} suffix={toUnit} />
        <Choice
          label={text('unitAsked')}
          value={toUnit}
          onChange={(v) => setToUnit(v as StrengthUnit)}
          options={units}
        />
        <TextField label={text('mix')} inputMode="decimal" value={volume} onChange={setVolume} suffix="ml" />
        {problem && <Notice tone="stop">{problem}</Notice>}
        {said && (
          <Notice tone="clear">
            <strong>{said}</strong>
          </Notice>
        )}
        <Quiet>{text('awayFromChildrenRoom')}</Quiet>
        <Row>
          <Button plain onPress={onClose}>
            {text('close')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

/** How each thing of a design is cleaned between children, by what it is made of. */
export function Cleaning({
  design,
  materials,
  restDays,
}: {
  design: Design;
  materials: readonly MaterialRow[];
  restDays: number;
}) {
  const [isMixing, setMixing] = useState(false);
  const ids = new Set(Object.values(design.materials).flat());
  const used = materials.filter((m) => ids.has(m.id));
  return (
    <Stack $gap={8}>
      <h2>{text('betweenChildren')}</h2>
      <ul style={{ display: 'grid', gap: 4, fontSize: 14 }}>
        {used.map((m) => {
          const how = cleaningOf(m);
          return (
            <li key={m.id}>
              <b>{m.name}</b>: {HOW[how]}
              {how === 'rest' ? text('days', { restDays }) : ''}
            </li>
          );
        })}
      </ul>
      <div>
        <Button small plain onPress={() => setMixing(true)}>
          {text('mixCleaner')}
        </Button>
      </div>
      {isMixing && <Dilution onClose={() => setMixing(false)} />}
    </Stack>
  );
}
