import { useState } from 'react';
import { simulateScan } from '../../devices/scanner.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** A simulated hand scanner, to see what a real one does at the desk. */
export function TryScanner() {
  const [label, setLabel] = useState('FB-001a');
  return (
    <Fold>
      <summary>{text('handScannersSimulated')}</summary>
      <Stack $gap={8}>
        <Quiet>{text('handScannerTypesAs')}</Quiet>
        <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
          <TextField label={text('labelUnder')} value={label} onChange={setLabel} />
          <Button plain onPress={() => simulateScan(label.trim())}>
            {text('scan')}
          </Button>
        </div>
      </Stack>
    </Fold>
  );
}
