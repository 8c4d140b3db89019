import { useRef } from 'react';
import { Button } from '../parts/Button.tsx';

/** A button that lets one JSON file be picked. */
export function PickFile({
  label,
  small = false,
  onPick,
  children,
}: {
  /** What the file is, for those who do not see the button. */
  label: string;
  small?: boolean;
  onPick(file: File | undefined): void;
  children: React.ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button small={small} plain onPress={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label={label}
        onChange={(e) => {
          onPick(e.target.files?.[0]);
          // The same file may be chosen again.
          e.target.value = '';
        }}
      />
    </>
  );
}
