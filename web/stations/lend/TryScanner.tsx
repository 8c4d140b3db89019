import { useState } from 'react';
import { simulateScan } from '../../devices/scanner.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** What a hand scanner does at the desk; where simulated things are shown, one to try it with. */
export function TryScanner({ isSimulated }: { isSimulated: boolean }) {
  const [label, setLabel] = useState('FB-001a');
  return (
    <Fold>
      <summary>{text('handScanners')}</summary>
      <Stack $gap={8}>
        <Quiet>{text('handScannerTypesAs')}</Quiet>
        {isSimulated && (
          <>
            <Quiet>{text('simulatedScanner')}</Quiet>
            <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
              <TextField label={text('labelUnder')} value={label} onChange={setLabel} />
              <Button plain onPress={() => simulateScan(label.trim())}>
                {text('scan')}
              </Button>
            </div>
          </>
        )}
      </Stack>
    </Fold>
  );
}
