import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { Backup, BackupLook, Lost as Missing, Restored, Integrity } from '../../../contract/place.ts';
import { api, fetchFile, words } from '../../data/api.ts';
import { changesWords } from '../../data/lost.ts';
import { useBackups, useChange } from '../../data/queries.ts';
import { placeStyle, shortDay } from '../../data/style.ts';
import { useSession } from '../../data/whoIsHere.ts';
import { Button, FileLink } from '../../parts/Button.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { BringIn } from './BringIn.tsx';
import { Passphrase } from './Passphrase.tsx';

/** Copies that are listed at first. */
const FEW = 5;
const at = (b: Backup): string =>
  new Date(b.madeAt).toLocaleString(placeStyle().locale, { dateStyle: 'medium', timeStyle: 'short' });
const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
const many = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** What a copy holds, and the way to put it back. */
function Look({ backup }: { backup: Backup }) {
  const [isAsking, setAsking] = useState(false);
  const { data: look, error } = useQuery({
    queryKey: ['backups', backup.name, 'look'],
    queryFn: () => api<BackupLook>('GET', `/backups/${backup.name}/look`),
    retry: false,
  });
  const [isDeleting, setDeleting] = useState(false);
  const remove = useChange(() => api<undefined>('DELETE', `/backups/${backup.name}`));
  const [isEncrypting, setEncrypting] = useState(false);
  const encrypt = useMutation({
    mutationFn: (passphrase: string) =>
      fetchFile(`/backups/${backup.name}/encrypted`, { passphrase }, `${backup.name}.age`),
  });
  const restore = useChange(() => api<Restored>('POST', `/backups/${backup.name}/restore`, {}));
  const deleteIt = (
    <>
      <Button small plain isDisabled={remove.isPending} onPress={() => setDeleting(true)}>
        Delete it
      </Button>
      <Confirm
        title="Delete this backup?"
        words={`The copy of ${at(backup)} is deleted for good. The place itself stays as it is.`}
        yes="Delete it"
        isOpen={isDeleting}
        onYes={() => {
          setDeleting(false);
          remove.mutate(undefined, { onSuccess: () => say(`The copy of ${at(backup)} is deleted.`) });
        }}
        onNo={() => setDeleting(false)}
      />
      {remove.error && <Notice tone="stop">{words(remove.error)}</Notice>}
    </>
  );
  if (error)
    return (
      <Stack $gap={8}>
        <Notice tone="stop">{words(error)}</Notice>
        <div>{deleteIt}</div>
      </Stack>
    );
  if (!look) return <p role="status">Opening it …</p>;
  const { counts } = look;
  if (isEncrypting)
    return (
      <Passphrase
        label="Passphrase for the file"
        yes="Encrypt and download"
        isNew
        isPending={encrypt.isPending}
        error={encrypt.error ? words(encrypt.error) : null}
        onYes={(passphrase) =>
          encrypt.mutate(passphrase, {
            onSuccess: () => {
              setEncrypting(false);
              say(`${backup.name}.age is among your downloads.`);
            },
          })
        }
        onNo={() => setEncrypting(false)}
      />
    );
  return (
    <Stack $gap={8}>
      <p style={{ fontSize: 14.5 }}>
        <b>{look.place}</b>: {many(counts.materials, 'material', 'materials')},{' '}
        {many(counts.designs, 'design', 'designs')}, {many(counts.kits, 'kit', 'kits')},{' '}
        {many(counts.families, 'family', 'families')}, {many(counts.loans, 'loan', 'loans')},{' '}
        {many(counts.notes, 'note', 'notes')}
        {look.lastLoan ? `; last loan ${shortDay(look.lastLoan)}` : ''}
        {look.lastNote ? `; last note ${shortDay(look.lastNote)}` : ''}. It is whole and can be put back.
      </p>
      {restore.error && <Notice tone="stop">{words(restore.error)}</Notice>}
      <Row>
        <Button small isDisabled={restore.isPending} onPress={() => setAsking(true)}>
          {restore.isPending ? 'Putting it back …' : 'Put it back'}
        </Button>
        <Button small plain onPress={() => setEncrypting(true)}>
          Download encrypted
        </Button>
        {deleteIt}
      </Row>
      <Confirm
        title="Put this backup back?"
        words={`Everything becomes what it was at ${at(backup)}. What is here now is backed up first, so that this can be undone. People and what they did stay as they are.`}
        yes="Put it back"
        isOpen={isAsking}
        onYes={() => {
          setAsking(false);
          restore.mutate(undefined, {
            onSuccess: (r) => say(`It is as it was at ${at(backup)}. Before that: ${r.before}.`),
          });
        }}
        onNo={() => setAsking(false)}
      />
    </Stack>
  );
}

/** The place's file copied whole, and the copies there are. */
export function Backups() {
  const { hash } = useLocation();
  const panel = useRef<HTMLElement>(null);
  const { data: backups, error } = useBackups();
  const [open, setOpen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const make = useChange(() => api<Backup>('POST', '/backups', {}));
  const check = useMutation({ mutationFn: () => api<Integrity>('GET', '/integrity') });
  const { data: session } = useSession();
  const accept = useChange(() => api<Missing>('POST', '/integrity/lost/accept', {}));
  const isListed = backups !== undefined;
  useEffect(() => {
    // Whoever was sent here from another page sees them at once.
    if (isListed && hash === '#backups') panel.current?.scrollIntoView({ block: 'start' });
  }, [isListed, hash]);
  // Somebody else keeps the place.
  if (error) return null;
  return (
    <Panel as="section" aria-label="Backups" id="backups" ref={panel}>
      <Stack $gap={10}>
        <Spread>
          <h2>Backups</h2>
          <Row>
            <Button small plain isDisabled={check.isPending} onPress={() => check.mutate()}>
              {check.isPending ? 'Looking through it …' : 'Check the file'}
            </Button>
            <Button small plain isDisabled={make.isPending} onPress={() => make.mutate()}>
              {make.isPending ? 'Copying …' : 'Back up now'}
            </Button>
          </Row>
        </Spread>
        {(session?.lost ?? 0) > 0 && (
          <Notice tone="stop">
            <Stack $gap={8}>
              <p>
                <strong>{changesWords(session!.lost)} missing</strong> that had been saved before the last
                start: the end of the file was lost, or an older file was put in its place. Look whether a
                copy below has them and put it back, or go on with what is here.
              </p>
              {accept.error && <p>{words(accept.error)}</p>}
              <div>
                <Button small plain isDisabled={accept.isPending} onPress={() => accept.mutate()}>
                  Go on without them
                </Button>
              </div>
            </Stack>
          </Notice>
        )}
        {check.error && <Notice tone="stop">{words(check.error)}</Notice>}
        {check.data && (
          <Notice tone="clear">The file in use is sound, all {size(check.data.bytes)} of it.</Notice>
        )}
        {make.error && <Notice tone="stop">{words(make.error)}</Notice>}
        {make.data && <Notice tone="clear">{make.data.name} is whole and sound.</Notice>}
        <Quiet>
          Everything is kept in one file on this machine, copied by itself once a day: the last seven days
          stay, then one copy a week for five weeks and one a month for a year. Copies that you make stay
          until you delete them. Keep one on another machine, encrypted: under <i>Look</i>.
        </Quiet>
        <ul aria-label="Backups" style={{ display: 'grid', gap: 8, fontSize: 14.5 }}>
          {(backups ?? []).slice(0, all ? undefined : FEW).map((b) => (
            <li key={b.name}>
              <Spread>
                <span>
                  <b>{at(b)}</b>
                  <br />
                  <Quiet>
                    {size(b.bytes)}
                    {b.until === null ? '' : `, made by itself, kept until ${shortDay(b.until)}`}
                  </Quiet>
                </span>
                <Row>
                  <Button
                    small
                    plain
                    aria-expanded={open === b.name}
                    aria-label={`Look at the backup of ${at(b)}`}
                    onPress={() => setOpen(open === b.name ? null : b.name)}
                  >
                    {open === b.name ? 'Close' : 'Look'}
                  </Button>
                  <FileLink small href={`/api/backups/${b.name}`}>
                    Download
                  </FileLink>
                </Row>
              </Spread>
              {open === b.name && <Look backup={b} />}
            </li>
          ))}
          {backups?.length === 0 && <li>There is no copy yet.</li>}
        </ul>
        <BringIn onIn={(b) => setOpen(b.name)} />
        {backups && backups.length > FEW && !all && (
          <div>
            <Button small plain onPress={() => setAll(true)}>
              Show all {backups.length}
            </Button>
          </div>
        )}
      </Stack>
    </Panel>
  );
}
