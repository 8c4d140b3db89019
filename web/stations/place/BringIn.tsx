import { useState } from 'react';
import { PASSPHRASE_HEADER, type Backup } from '../../../contract/place.ts';
import { words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { sendFile } from '../../data/sendFile.ts';
import { say } from '../../parts/messages.ts';
import { Notice } from '../../parts/Panel.tsx';
import { Passphrase } from './Passphrase.tsx';
import { text } from './text.ts';

/** How an encrypted file begins (age-encryption.org/v1). */
const ENCRYPTED = 'age-encryption.org/';
const isEncrypted = async (file: Blob): Promise<boolean> =>
  (await file.slice(0, ENCRYPTED.length).text()) === ENCRYPTED;

/** A file of the whole place from another machine, encrypted or not. */
export function BringIn({ onIn }: { onIn: (backup: Backup) => void }) {
  /** An encrypted one that waits for its passphrase. */
  const [locked, setLocked] = useState<File | null>(null);
  /** How much of it was sent, 0 to 1. */
  const [sent, setSent] = useState(0);
  const bring = useChange(({ file, given }: { file: File; given?: string }) =>
    sendFile<Backup>('/backups/file', file, {
      type: 'application/octet-stream',
      told: setSent,
      ...(given === undefined ? {} : { headers: { [PASSPHRASE_HEADER]: encodeURIComponent(given) } }),
    }),
  );
  const send = (file: File, given?: string): void => {
    setSent(0);
    bring.mutate(given === undefined ? { file } : { file, given }, {
      onSuccess: (b) => {
        setLocked(null);
        onIn(b);
        say(text('wholeLiesAmongBackups'));
      },
    });
  };
  const take = async (file: File): Promise<void> => {
    bring.reset();
    setLocked(null);
    if (await isEncrypted(file)) setLocked(file);
    else send(file);
  };
  return (
    <>
      <label style={{ display: 'grid', gap: 4, fontSize: 14 }}>
        <b>{text('fileWholePlaceFrom')}</b>
        <input
          type="file"
          accept=".db,.age"
          disabled={bring.isPending}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void take(file);
          }}
        />
      </label>
      {locked && (
        <Passphrase
          label={text('passphrase2', { locked: locked.name })}
          yes={text('bring')}
          isPending={bring.isPending}
          error={bring.error ? words(bring.error) : null}
          onYes={(given) => send(locked, given)}
          onNo={() => setLocked(null)}
        />
      )}
      {bring.isPending && (
        <p role="status">
          {sent < 1 ? text('bringing', { what: Math.floor(100 * sent) }) : text('comeReadingThrough')}
        </p>
      )}
      {bring.error && !locked && <Notice tone="stop">{words(bring.error)}</Notice>}
    </>
  );
}
