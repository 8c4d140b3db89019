import { useState } from 'react';
import { simulateScan } from '../../devices/scanner.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';

/** A simulated hand scanner, to see what a real one does at the desk. */
export function TryScanner() {
  const [label, setLabel] = useState('FB-001a');
  return (
    <Stack $gap={6}>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
        <TextField label="Label under the simulated scanner" value={label} onChange={setLabel} />
        <Button plain onPress={() => simulateScan(label.trim())}>
          Scan
        </Button>
      </div>
      <Quiet>It sends the keys that a hand scanner sends, as fast as one.</Quiet>
    </Stack>
  );
}
