import { useState } from 'react';
import { simulateScan } from '../../devices/scanner.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';

/** A simulated hand scanner, to see what a real one does at the desk. */
export function TryScanner() {
  const [label, setLabel] = useState('FB-001a');
  return (
    <Fold>
      <summary>Hand scanners, and a simulated one</summary>
      <Stack $gap={8}>
        <Quiet>
          A hand scanner that types as a keyboard does opens a kit wherever the cursor is. This one sends the
          same keys, as fast.
        </Quiet>
        <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
          <TextField label="Label under it" value={label} onChange={setLabel} />
          <Button plain onPress={() => simulateScan(label.trim())}>
            Scan
          </Button>
        </div>
      </Stack>
    </Fold>
  );
}
