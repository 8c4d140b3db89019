import { useEffect, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { LEAST_PASSWORD } from '../../contract/people.ts';
import { api, words } from '../data/api.ts';
import { useSignedOut } from '../data/session.ts';
import { useSession } from '../data/whoIsHere.ts';
import { Button } from '../parts/Button.tsx';
import { TextField } from '../parts/Field.tsx';
import { Form } from '../parts/Form.tsx';
import { Notice, Panel, Quiet, Stack } from '../parts/Panel.tsx';

const Middle = styled.div`
  display: grid;
  justify-items: center;
  align-content: start;
  padding-top: clamp(10px, 8vh, 90px);
  > * {
    width: min(440px, 100%);
  }
`;

/** The way in: a name and a password, or, on a server that nobody was set up for, the first manager. */
export default function SignIn() {
  const queries = useQueryClient();
  const { data: session, error: unread } = useSession();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const isFirst = session?.isFirst === true;
  useEffect(() => {
    // Signed in meanwhile, in another window.
    if (session && (session.person || !session.needed)) useSignedOut.getState().set(false);
  }, [session]);
  const send = async (): Promise<void> => {
    setProblem(null);
    setSending(true);
    try {
      await (isFirst
        ? api('POST', '/session/first', { name, password, code: code.trim() })
        : api('POST', '/session', { name, password }));
      useSignedOut.getState().set(false);
      await queries.invalidateQueries();
    } catch (e) {
      setProblem(words(e));
    } finally {
      setSending(false);
    }
  };
  return (
    <Middle>
      <Panel as="div">
        <Form onSubmit={() => void send()}>
          <Stack $gap={12}>
            <h1>{isFirst ? 'Who keeps this place?' : 'Sign in'}</h1>
            {isFirst && (
              <Quiet>
                Nobody is set up yet. The server printed a code on its own screen when it started: whoever has
                it becomes the manager, who can let others in.
              </Quiet>
            )}
            <TextField label="Name" value={name} onChange={setName} autoComplete="username" />
            <TextField
              type="password"
              label="Password"
              value={password}
              onChange={setPassword}
              autoComplete={isFirst ? 'new-password' : 'current-password'}
              {...(isFirst ? { hint: `at least ${LEAST_PASSWORD} characters` } : {})}
            />
            {isFirst && <TextField label="Code of the server’s screen" value={code} onChange={setCode} />}
            {(problem ?? unread) && <Notice tone="stop">{problem ?? words(unread)}</Notice>}
            <Button type="submit" isDisabled={isSending}>
              {isSending ? 'One moment …' : isFirst ? 'Set up' : 'Sign in'}
            </Button>
            {!isFirst && (
              <Quiet>Forgotten? Whoever keeps the place can set a new one under the cogwheel.</Quiet>
            )}
          </Stack>
        </Form>
      </Panel>
    </Middle>
  );
}
