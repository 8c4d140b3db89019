import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { MessageWords } from '../../../contract/telling.ts';
import {
  MESSAGE_MARKS,
  MESSAGE_PARTS,
  templateFor,
  type MessagePart,
  type MessageTemplate,
} from '../../../core/lend/telling.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { languageName } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { TextArea } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';

const PART: Record<MessagePart, string> = {
  hello: 'How it begins',
  recalledSubject: 'Called back: subject',
  recalled: 'Called back',
  lateSubject: 'Overdue: subject',
  late: 'Overdue',
  shortSubject: 'Came back short: subject',
  short: 'Came back short',
  soonSubject: 'Due soon: subject',
  soon: 'Due soon',
  readySubject: 'Reserved and in: subject',
  ready: 'Reserved and in',
  end: 'How it ends',
  ring: 'Whom to ring',
};

function Edit({ language, from }: { language: string; from: MessageWords }) {
  const shipped = from.shipped[language];
  const [draft, setDraft] = useState<Partial<MessageTemplate>>(() => ({
    ...shipped,
    ...from.own[language],
  }));
  const save = useChange((own: Partial<MessageTemplate>) =>
    api<MessageWords>('PUT', '/message-words', {
      version: from.version,
      own: { ...from.own, [language]: own },
    }),
  );
  // What is as shipped stays so, and changes with it.
  const own = Object.fromEntries(
    MESSAGE_PARTS.flatMap((p) => (draft[p] && draft[p] !== shipped?.[p] ? [[p, draft[p]]] : [])),
  );
  const lacks = MESSAGE_PARTS.filter((p) => !draft[p] && !shipped?.[p]);
  return (
    <Form
      onSubmit={() =>
        save.mutate(own, { onSuccess: () => say(`Messages in ${languageName(language)} are kept.`) })
      }
    >
      <Stack $gap={10}>
        <Quiet>
          In braces stands what each message fills in: {'{kit}'}, {'{label}'}, {'{day}'}, {'{family}'},{' '}
          {'{place}'}, {'{phone}'}.
          {lacks.length > 0 &&
            ` ${lacks.length} parts have no words in ${languageName(language)} yet; it can be chosen once all have.`}
        </Quiet>
        {MESSAGE_PARTS.map((p) => (
          <TextArea
            key={p}
            label={`${PART[p]} (${MESSAGE_MARKS[p].map((m) => `{${m}}`).join(', ')})`}
            value={draft[p] ?? ''}
            most={1000}
            onChange={(text) => setDraft({ ...draft, [p]: text })}
          />
        ))}
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        <Row>
          <Button small type="submit" isDisabled={save.isPending}>
            Keep these words
          </Button>
          {from.own[language] && shipped && (
            <Button
              small
              plain
              isDisabled={save.isPending}
              onPress={() => save.mutate({}, { onSuccess: () => setDraft(shipped) })}
            >
              As shipped
            </Button>
          )}
        </Row>
      </Stack>
    </Form>
  );
}

export const useMessageWords = () =>
  useQuery({ queryKey: ['message-words'], queryFn: () => api<MessageWords>('GET', '/message-words') });

/** Languages of a place that every message has words in. */
export const spoken = (from: MessageWords | undefined, languages: readonly string[]): string[] =>
  [...new Set([...languages, 'en', 'es'])].filter((l) => from && templateFor(l, from.own) !== null);

/** The place's own words to families, in each of its languages. */
export function OwnWords({ languages }: { languages: readonly string[] }) {
  const { data: from } = useMessageWords();
  const [open, setOpen] = useState<string | null>(null);
  if (!from) return null;
  return (
    <Panel as="section" aria-label="Your own words">
      <Stack $gap={10}>
        <h2>Your own words</h2>
        <Row>
          {languages.map((l) => (
            <Button
              key={l}
              small
              plain
              aria-expanded={open === l}
              onPress={() => setOpen(open === l ? null : l)}
            >
              {languageName(l)}
              {from.own[l] ? ', changed' : from.shipped[l] ? '' : ', to be written'}
            </Button>
          ))}
        </Row>
        {open !== null && <Edit key={`${open} ${from.version}`} language={open} from={from} />}
      </Stack>
    </Panel>
  );
}
