import { useState } from 'react';
import { passphrase } from '../../../contract/place.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

interface Asked {
  readonly label: string;
  /** What the button says. */
  readonly yes: string;
  /** Whether it is a new one, which is typed twice. */
  readonly isNew?: boolean;
  readonly isPending: boolean;
  readonly error: string | null;
  readonly onYes: (given: string) => void;
  readonly onNo: () => void;
}

/** Asks for the passphrase of a copy. */
export function Passphrase({ label, yes, isNew = false, isPending, error, onYes, onNo }: Asked) {
  const [given, setGiven] = useState('');
  const [again, setAgain] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const check = (): void => {
    const { success, error: problem } = passphrase.safeParse(given);
    if (isNew && !success) setFault(text('passphrase', { message: problem.issues[0]!.message }));
    else if (isNew && given !== again) setFault(text('twoNotSame'));
    else if (given === '') setFault(text('expectedPassphraseFileWas'));
    else {
      setFault(null);
      onYes(given);
    }
  };
  const words = fault ?? error;
  return (
    <Form onSubmit={check}>
      <Stack $gap={8} style={{ maxWidth: 440 }}>
        <TextField
          type="password"
          label={label}
          value={given}
          onChange={setGiven}
          autoComplete={isNew ? 'new-password' : 'current-password'}
          {...(isNew
            ? {
                hint: text('least12CharactersFour'),
              }
            : {})}
        />
        {isNew && (
          <TextField
            type="password"
            label={text('sameOnceMore')}
            value={again}
            onChange={setAgain}
            autoComplete="new-password"
          />
        )}
        {words && <Notice tone="stop">{words}</Notice>}
        <Row>
          <Button small type="submit" isDisabled={isPending}>
            {isPending ? text('workingOn') : yes}
          </Button>
          <Button small plain onPress={onNo}>
            {text('cancel')}
          </Button>
        </Row>
      </Stack>
    </Form>
  );
}
