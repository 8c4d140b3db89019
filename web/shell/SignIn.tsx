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
import { text } from './text.ts';

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
            <h1>{isFirst ? text('whoKeepsThisPlace') : text('sign')}</h1>
            {isFirst && <Quiet>{text('nobodySetUpYet')}</Quiet>}
            <TextField label={text('name')} value={name} onChange={setName} autoComplete="username" />
            <TextField
              type="password"
              label={text('password')}
              value={password}
              onChange={setPassword}
              autoComplete={isFirst ? 'new-password' : 'current-password'}
              {...(isFirst ? { hint: text('leastCharacters', { LEAST_PASSWORD }) } : {})}
            />
            {isFirst && <TextField label={text('codeServersScreen')} value={code} onChange={setCode} />}
            {(problem ?? unread) && <Notice tone="stop">{problem ?? words(unread)}</Notice>}
            <Button type="submit" isDisabled={isSending}>
              {isSending ? text('oneMoment') : isFirst ? text('setUp') : text('sign')}
            </Button>
            {!isFirst && <Quiet>{text('forgottenWhoeverKeepsPlace')}</Quiet>}
          </Stack>
        </Form>
      </Panel>
    </Middle>
  );
}
