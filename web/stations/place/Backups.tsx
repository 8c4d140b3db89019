import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { Backup, BackupLook, Lost as Missing, Restored, Integrity } from '../../../contract/place.ts';
import { api, fetchFile, words } from '../../data/api.ts';
import { changesWords } from '../../data/lost.ts';
import { useBackups, useChange } from '../../data/queries.ts';
import { placeStyle, shortDay } from '../../data/style.ts';
import { useSession } from '../../data/whoIsHere.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { BringIn } from './BringIn.tsx';
import { Passphrase } from './Passphrase.tsx';
import { text } from './text.ts';

/** Copies that are listed at first. */
const FEW = 5;
const at = (b: Backup): string =>
  new Date(b.madeAt).toLocaleString(placeStyle().locale, { dateStyle: 'medium', timeStyle: 'short' });
const size = (bytes: number): string =>
  bytes < 1e6
    ? text('kb', { bytes: Math.ceil(bytes / 1000) })
    : text('mb', { bytes: (bytes / 1e6).toFixed(1) });
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
        {text('delete')}
      </Button>
      <Confirm
        title={text('deleteThisBackup')}
        words={text('copyDeletedGoodPlace', { backup: at(backup) })}
        yes={text('delete')}
        isOpen={isDeleting}
        onYes={() => {
          setDeleting(false);
          remove.mutate(undefined, { onSuccess: () => say(text('copyDeleted', { backup: at(backup) })) });
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
  if (!look) return <p role="status">{text('opening')}</p>;
  const { counts } = look;
  if (isEncrypting)
    return (
      <Passphrase
        label={text('passphraseFile')}
        yes={text('encryptDownload')}
        isNew
        isPending={encrypt.isPending}
        error={encrypt.error ? words(encrypt.error) : null}
        onYes={(passphrase) =>
          encrypt.mutate(passphrase, {
            onSuccess: () => {
              setEncrypting(false);
              say(text('ageAmongYourDownloads', { backup: backup.name }));
            },
          })
        }
        onNo={() => setEncrypting(false)}
      />
    );
  return (
    <Stack $gap={8}>
      <p style={{ fontSize: 14.5 }}>
        <b>{look.place}</b>
        {look.lastLoan
          ? look.lastNote
            ? text('lastLoanLastNote', {
                materials: many(counts.materials, 'material', 'materials'),
                designs: many(counts.designs, 'design', 'designs'),
                kits: many(counts.kits, 'kit', 'kits'),
                families: many(counts.families, 'family', 'families'),
                loans: many(counts.loans, 'loan', 'loans'),
                notes: many(counts.notes, 'note', 'notes'),
                lastLoan: shortDay(look.lastLoan),
                lastNote: shortDay(look.lastNote),
              })
            : text('lastLoanWholeCan', {
                materials: many(counts.materials, 'material', 'materials'),
                designs: many(counts.designs, 'design', 'designs'),
                kits: many(counts.kits, 'kit', 'kits'),
                families: many(counts.families, 'family', 'families'),
                loans: many(counts.loans, 'loan', 'loans'),
                notes: many(counts.notes, 'note', 'notes'),
                lastLoan: shortDay(look.lastLoan),
              })
          : look.lastNote
            ? text('lastNoteWholeCan', {
                materials: many(counts.materials, 'material', 'materials'),
                designs: many(counts.designs, 'design', 'designs'),
                kits: many(counts.kits, 'kit', 'kits'),
                families: many(counts.families, 'family', 'families'),
                loans: many(counts.loans, 'loan', 'loans'),
                notes: many(counts.notes, 'note', 'notes'),
                lastNote: shortDay(look.lastNote),
              })
            : text('wholeCanPutBack', {
                materials: many(counts.materials, 'material', 'materials'),
                designs: many(counts.designs, 'design', 'designs'),
                kits: many(counts.kits, 'kit', 'kits'),
                families: many(counts.families, 'family', 'families'),
                loans: many(counts.loans, 'loan', 'loans'),
                notes: many(counts.notes, 'note', 'notes'),
              })}
      </p>
      {restore.error && <Notice tone="stop">{words(restore.error)}</Notice>}
      <Row>
        <Button small isDisabled={restore.isPending} onPress={() => setAsking(true)}>
          {restore.isPending ? text('puttingBack') : text('putBack')}
        </Button>
        <Button small plain onPress={() => setEncrypting(true)}>
          {text('downloadEncrypted')}
        </Button>
        {deleteIt}
      </Row>
      <Confirm
        title={text('putThisBackupBack')}
        words={text('everythingBecomesWhatWas', { backup: at(backup) })}
        yes={text('putBack')}
        isOpen={isAsking}
        onYes={() => {
          setAsking(false);
          restore.mutate(undefined, {
            onSuccess: (r) => say(text('asWasBefore', { backup: at(backup), before: r.before })),
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
    <Panel as="section" aria-label={text('backups')} id="backups" ref={panel}>
      <Stack $gap={10}>
        <Spread>
          <h2>{text('backups')}</h2>
          <Row>
            <Button small plain isDisabled={check.isPending} onPress={() => check.mutate()}>
              {check.isPending ? text('lookingThrough') : text('checkFile')}
            </Button>
            <Button small plain isDisabled={make.isPending} onPress={() => make.mutate()}>
              {make.isPending ? text('copying') : text('backUpNow')}
            </Button>
          </Row>
        </Spread>
        {(session?.lost ?? 0) > 0 && (
          <Notice tone="stop">
            <Stack $gap={8}>
              <p>
                <strong>{text('missing', { lost: changesWords(session!.lost) })}</strong>{' '}
                {text('hadBeenSavedBefore')}
              </p>
              {accept.error && <p>{words(accept.error)}</p>}
              <div>
                <Button small plain isDisabled={accept.isPending} onPress={() => accept.mutate()}>
                  {text('goOnWithoutThem')}
                </Button>
              </div>
            </Stack>
          </Notice>
        )}
        {check.error && <Notice tone="stop">{words(check.error)}</Notice>}
        {check.data && (
          <Notice tone="clear">{text('fileUseSoundAll', { bytes: size(check.data.bytes) })}</Notice>
        )}
        {make.error && <Notice tone="stop">{words(make.error)}</Notice>}
        {make.data && <Notice tone="clear">{text('wholeSound', { data: make.data.name })}</Notice>}
        <Quiet>
          {text('everythingKeptFileOn')} <i>{text('look')}</i>.
        </Quiet>
        <ul aria-label={text('backups')} style={{ display: 'grid', gap: 8, fontSize: 14.5 }}>
          {(backups ?? []).slice(0, all ? undefined : FEW).map((b) => (
            <li key={b.name}>
              <Spread>
                <span>
                  <b>{at(b)}</b>
                  <br />
                  <Quiet>
                    {size(b.bytes)}
                    {b.until === null ? '' : text('madeItselfKeptUntil', { until: shortDay(b.until) })}
                  </Quiet>
                </span>
                <Row>
                  <Button
                    small
                    plain
                    aria-expanded={open === b.name}
                    aria-label={text('lookBackup', { b: at(b) })}
                    onPress={() => setOpen(open === b.name ? null : b.name)}
                  >
                    {open === b.name ? text('close') : text('look')}
                  </Button>
                  <FileLink small href={`/api/backups/${b.name}`}>
                    {text('download')}
                  </FileLink>
                </Row>
              </Spread>
              {open === b.name && <Look backup={b} />}
            </li>
          ))}
          {backups?.length === 0 && <li>{text('thereNoCopyYet')}</li>}
        </ul>
        <BringIn onIn={(b) => setOpen(b.name)} />
        {backups && backups.length > FEW && !all && (
          <div>
            <Button small plain onPress={() => setAll(true)}>
              {text('showAll', { backups: backups.length })}
            </Button>
          </div>
        )}
      </Stack>
    </Panel>
  );
}
