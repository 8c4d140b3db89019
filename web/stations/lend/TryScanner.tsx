import { useState } from 'react';
import { styled } from 'styled-components';
import { simulateScan } from '../../devices/scanner.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';

const Fold = styled.details`
  font-size: 14px;
  summary {
    cursor: pointer;
    min-height: 44px;
    display: flex;
    align-items: center;
    text-decoration: underline;
    text-underline-offset: 2px;
  }
  > div {
    max-width: 420px;
  }
`;

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
