import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  LEAST_PASSWORD,
  ROLES,
  type AuditEntry,
  type Person,
  type PersonRole,
  type Session,
} from '../../../contract/people.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { useSignedOut } from '../../data/session.ts';
import { mayKeep, useSession } from '../../data/whoIsHere.ts';
import { placeStyle } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Seam, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { text } from './text.ts';

const ROLE_WORDS: Record<PersonRole, { label: string; note: string }> = {
  viewer: { label: text('viewer'), note: text('seesEverythingChangesNothing') },
  lender: { label: text('lender'), note: text('alsoLendsCountsWrites') },
  designer: { label: text('designer'), note: text('alsoChangesShelfDesigns') },
  manager: { label: text('manager'), note: text('alsoSetsRulesPeople') },
};
const ROLE_OPTIONS = ROLES.map((value) => ({ value, ...ROLE_WORDS[value] }));
const at = (iso: string): string =>
  new Date(iso).toLocaleString(placeStyle().locale, { dateStyle: 'medium', timeStyle: 'short' });

/** The first manager of a place on this machine. */
function First() {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const make = useChange(() => api<Session>('POST', '/session/first', { name, password }));
  return (
    <Form onSubmit={() => make.mutate(undefined, { onSuccess: () => say(text('keepsThisPlace', { name })) })}>
      <Stack $gap={10}>
        <Quiet>{text('onThisMachineNobody')}</Quiet>
        <TextField label={text('nameManager')} value={name} onChange={setName} autoComplete="username" />
        <TextField
          type="password"
          label={text('password')}
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          hint={text('leastCharacters', { LEAST_PASSWORD })}
        />
        {make.error && <Notice tone="stop">{words(make.error)}</Notice>}
        <div>
          <Button small type="submit" isDisabled={make.isPending}>
            {text('setUp')}
          </Button>
        </div>
      </Stack>
    </Form>
  );
}

/** Who is at this screen: out, or another password. */
function Own({ session }: { session: Session }) {
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const out = useChange(() => api<void>('DELETE', '/session'));
  const change = useChange(() => api<void>('PUT', '/session/password', { old, password }));
  return (
    <Stack $gap={10}>
      <Spread>
        <span>
          {text('signedAs')} <b>{session.person!.name}</b>
          <br />
          <Quiet>{ROLE_WORDS[session.person!.role].label.toLowerCase()}</Quiet>
        </span>
        <Button
          small
          isDisabled={out.isPending}
          onPress={() =>
            out.mutate(undefined, {
              onSuccess: () => {
                useSignedOut.getState().set(session.needed);
                // Whoever comes next on this screen must not find what was read before.
                if (session.needed) queries.clear();
              },
            })
          }
        >
          {text('signOut')}
        </Button>
      </Spread>
      <details>
        <summary style={{ cursor: 'pointer', minHeight: 44 }}>{text('changeYourPassword')}</summary>
        <Form
          onSubmit={() =>
            change.mutate(undefined, {
              onSuccess: () => {
                setOld('');
                setPassword('');
                say(text('yourPasswordChangedYou'));
              },
            })
          }
        >
          <Stack $gap={10}>
            <TextField
              type="password"
              label={text('passwordUntilNow')}
              value={old}
              onChange={setOld}
              autoComplete="current-password"
            />
            <TextField
              type="password"
              label={text('newPassword')}
              value={password}
              onChange={setPassword}
              autoComplete="new-password"
              hint={text('leastCharacters', { LEAST_PASSWORD })}
            />
            {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
            <div>
              <Button small type="submit" isDisabled={change.isPending}>
                {text('change')}
              </Button>
            </div>
          </Stack>
        </Form>
      </details>
    </Stack>
  );
}

function One({ person }: { person: Person }) {
  const [password, setPassword] = useState('');
  const save = useChange((part: Partial<{ role: PersonRole; isOff: boolean; password: string }>) =>
    api<Person>('PUT', `/people/${person.id}`, { role: person.role, isOff: person.isOff, ...part }),
  );
  return (
    <Stack $gap={6}>
      <Spread>
        <span>
          <b>{person.name}</b>
          {person.isOff && text('turnedOff')}
          <br />
          <Quiet>
            {person.lastSeen ? text('lastHere', { lastSeen: at(person.lastSeen) }) : text('notHereYet')}
          </Quiet>
        </span>
        <Row>
          <Select
            label={text('roleOf', { person: person.name })}
            value={person.role}
            onChange={(role) => save.mutate({ role: role as PersonRole })}
            options={ROLE_OPTIONS}
          />
          <Button
            small
            plain
            isDisabled={save.isPending}
            onPress={() => save.mutate({ isOff: !person.isOff })}
          >
            {person.isOff ? text('turnOn') : text('turnOff')}
          </Button>
        </Row>
      </Spread>
      <details>
        <summary style={{ cursor: 'pointer', minHeight: 36, fontSize: 14 }}>
          {text('setNewPasswordThem')}
        </summary>
        <Form
          onSubmit={() =>
            save.mutate(
              { password },
              {
                onSuccess: () => {
                  setPassword('');
                  say(text('newPasswordSignedOut', { person: person.name }));
                },
              },
            )
          }
        >
          <Row>
            <TextField
              type="password"
              label={text('newPassword2', { person: person.name })}
              value={password}
              onChange={setPassword}
              autoComplete="new-password"
            />
            <Button small plain type="submit" isDisabled={save.isPending}>
              {text('set')}
            </Button>
          </Row>
        </Form>
      </details>
      {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
    </Stack>
  );
}

function Everybody({ session }: { session: Session }) {
  const { data: people, error } = useQuery({
    queryKey: ['people'],
    queryFn: () => api<Person[]>('GET', '/people'),
  });
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [role, setRole] = useState<PersonRole>('lender');
  const add = useChange(() => api<Person>('POST', '/people', { name, password, role }));
  const need = useChange((needed: boolean) => api<Session>('PUT', '/people/sign-in', { needed }));
  return (
    <Stack $gap={12}>
      {error && <Notice tone="stop">{words(error)}</Notice>}
      <ul aria-label={text('people')} style={{ display: 'grid', gap: 12 }}>
        {people?.map((p) => (
          <li key={p.id}>
            <One person={p} />
          </li>
        ))}
      </ul>
      <Seam />
      <h3 style={{ fontSize: 15 }}>{text('letSomebody')}</h3>
      <Form
        onSubmit={() =>
          add.mutate(undefined, {
            onSuccess: (p) => {
              setName('');
              setPassword('');
              say(text('canSignNow', { p: p.name }));
            },
          })
        }
      >
        <Stack $gap={10}>
          <TextField label={text('name')} value={name} onChange={setName} />
          <TextField
            type="password"
            label={text('firstPassword')}
            value={password}
            onChange={setPassword}
            autoComplete="new-password"
            hint={text('theyCanChangeOnce')}
          />
          <Select
            label={text('role')}
            value={role}
            onChange={(r) => setRole(r as PersonRole)}
            options={ROLE_OPTIONS}
          />
          {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
          <div>
            <Button small type="submit" isDisabled={add.isPending}>
              {text('let')}
            </Button>
          </div>
        </Stack>
      </Form>
      <Seam />
      {session.isFixed ? (
        <Quiet>{text('otherMachinesCanReach')}</Quiet>
      ) : (
        <Choice
          label={text('onThisMachine')}
          value={session.needed ? 'yes' : 'no'}
          onChange={(v) => need.mutate(v === 'yes')}
          options={[
            { value: 'no', label: text('nobodySign') },
            { value: 'yes', label: text('everybodySigns') },
          ]}
        />
      )}
      {need.error && <Notice tone="stop">{words(need.error)}</Notice>}
    </Stack>
  );
}

/** What was done lately, and by whom. */
function AuditLog() {
  const { data: entries } = useQuery({
    queryKey: ['audit-log'],
    queryFn: () => api<AuditEntry[]>('GET', '/audit-log'),
  });
  if (!entries || entries.length === 0) return <Quiet>{text('nothingYetAnybodyWho')}</Quiet>;
  return (
    <ul
      aria-label={text('whoDidWhat')}
      style={{ display: 'grid', gap: 4, fontSize: 14, maxHeight: 420, overflow: 'auto' }}
    >
      {entries.map((d) => (
        <li key={d.id}>
          <b>{d.who}</b> {d.did} <Quiet>{at(d.at)}</Quiet>
        </li>
      ))}
    </ul>
  );
}

/** Who works here: the way in, roles, and who did what. */
export function People() {
  const { data: session } = useSession();
  if (!session) return null;
  const keeps = mayKeep(session);
  return (
    <SideBySide>
      <Panel as="section" aria-label={text('people')}>
        <Stack $gap={12}>
          <h2>{text('people')}</h2>
          {session.person && <Own session={session} />}
          {session.isFirst ? <First /> : keeps && <Everybody session={session} />}
        </Stack>
      </Panel>
      {keeps && !session.isFirst && (
        <Panel as="section" aria-label={text('whoDidWhat')}>
          <Stack $gap={10}>
            <h2>{text('whoDidWhat')}</h2>
            <AuditLog />
          </Stack>
        </Panel>
      )}
    </SideBySide>
  );
}
