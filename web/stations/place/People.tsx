import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  LEAST_PASSWORD,
  ROLES,
  type Deed,
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

const ROLE_WORDS: Record<PersonRole, { label: string; note: string }> = {
  viewer: { label: 'Viewer', note: 'sees everything, changes nothing' },
  lender: { label: 'Lender', note: 'also lends, counts, writes notes' },
  designer: { label: 'Designer', note: 'also changes the shelf, designs and batches' },
  manager: { label: 'Manager', note: 'also sets rules, people and backups' },
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
    <Form onSubmit={() => make.mutate(undefined, { onSuccess: () => say(`${name} keeps this place.`) })}>
      <Stack $gap={10}>
        <Quiet>
          On this machine nobody has to sign in. Set up a manager to let others in by name, each with what
          they may do, and to see who did what.
        </Quiet>
        <TextField label="Name of the manager" value={name} onChange={setName} autoComplete="username" />
        <TextField
          type="password"
          label="Password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          hint={`at least ${LEAST_PASSWORD} characters`}
        />
        {make.error && <Notice tone="stop">{words(make.error)}</Notice>}
        <div>
          <Button small type="submit" isDisabled={make.isPending}>
            Set up
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
          Signed in as <b>{session.person!.name}</b>
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
          Sign out
        </Button>
      </Spread>
      <details>
        <summary style={{ cursor: 'pointer', minHeight: 44 }}>Change your password</summary>
        <Form
          onSubmit={() =>
            change.mutate(undefined, {
              onSuccess: () => {
                setOld('');
                setPassword('');
                say('Your password is changed; you are signed out everywhere else.');
              },
            })
          }
        >
          <Stack $gap={10}>
            <TextField
              type="password"
              label="Password until now"
              value={old}
              onChange={setOld}
              autoComplete="current-password"
            />
            <TextField
              type="password"
              label="New password"
              value={password}
              onChange={setPassword}
              autoComplete="new-password"
              hint={`at least ${LEAST_PASSWORD} characters`}
            />
            {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
            <div>
              <Button small type="submit" isDisabled={change.isPending}>
                Change it
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
          {person.isOff && ' (turned off)'}
          <br />
          <Quiet>{person.lastSeen ? `last here ${at(person.lastSeen)}` : 'not here yet'}</Quiet>
        </span>
        <Row>
          <Select
            label={`What ${person.name} may do`}
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
            {person.isOff ? 'Turn on' : 'Turn off'}
          </Button>
        </Row>
      </Spread>
      <details>
        <summary style={{ cursor: 'pointer', minHeight: 36, fontSize: 14 }}>
          Set a new password for them
        </summary>
        <Form
          onSubmit={() =>
            save.mutate(
              { password },
              {
                onSuccess: () => {
                  setPassword('');
                  say(`${person.name} has a new password and is signed out everywhere.`);
                },
              },
            )
          }
        >
          <Row>
            <TextField
              type="password"
              label={`New password of ${person.name}`}
              value={password}
              onChange={setPassword}
              autoComplete="new-password"
            />
            <Button small plain type="submit" isDisabled={save.isPending}>
              Set it
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
      <ul aria-label="People" style={{ display: 'grid', gap: 12 }}>
        {people?.map((p) => (
          <li key={p.id}>
            <One person={p} />
          </li>
        ))}
      </ul>
      <Seam />
      <h3 style={{ fontSize: 15 }}>Let somebody in</h3>
      <Form
        onSubmit={() =>
          add.mutate(undefined, {
            onSuccess: (p) => {
              setName('');
              setPassword('');
              say(`${p.name} can sign in now.`);
            },
          })
        }
      >
        <Stack $gap={10}>
          <TextField label="Name" value={name} onChange={setName} />
          <TextField
            type="password"
            label="First password"
            value={password}
            onChange={setPassword}
            autoComplete="new-password"
            hint="they can change it once they are in"
          />
          <Select
            label="May do"
            value={role}
            onChange={(r) => setRole(r as PersonRole)}
            options={ROLE_OPTIONS}
          />
          {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
          <div>
            <Button small type="submit" isDisabled={add.isPending}>
              Let in
            </Button>
          </div>
        </Stack>
      </Form>
      <Seam />
      {session.isFixed ? (
        <Quiet>Other machines can reach this server, so everybody signs in.</Quiet>
      ) : (
        <Choice
          label="On this machine"
          value={session.needed ? 'yes' : 'no'}
          onChange={(v) => need.mutate(v === 'yes')}
          options={[
            { value: 'no', label: 'Nobody has to sign in' },
            { value: 'yes', label: 'Everybody signs in' },
          ]}
        />
      )}
      {need.error && <Notice tone="stop">{words(need.error)}</Notice>}
    </Stack>
  );
}

/** What was done lately, and by whom. */
function Deeds() {
  const { data: deeds } = useQuery({ queryKey: ['deeds'], queryFn: () => api<Deed[]>('GET', '/deeds') });
  if (!deeds || deeds.length === 0) return <Quiet>Nothing yet by anybody who was signed in.</Quiet>;
  return (
    <ul
      aria-label="Who did what"
      style={{ display: 'grid', gap: 4, fontSize: 14, maxHeight: 420, overflow: 'auto' }}
    >
      {deeds.map((d) => (
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
      <Panel as="section" aria-label="People">
        <Stack $gap={12}>
          <h2>People</h2>
          {session.person && <Own session={session} />}
          {session.isFirst ? <First /> : keeps && <Everybody session={session} />}
        </Stack>
      </Panel>
      {keeps && !session.isFirst && (
        <Panel as="section" aria-label="Who did what">
          <Stack $gap={10}>
            <h2>Who did what</h2>
            <Deeds />
          </Stack>
        </Panel>
      )}
    </SideBySide>
  );
}
