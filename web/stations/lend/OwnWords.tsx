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
import { text } from './text.ts';

const PART: Record<MessagePart, string> = {
  hello: text('howBegins'),
  recalledSubject: text('calledBackSubject'),
  recalled: text('calledBack5'),
  lateSubject: text('overdueSubject'),
  late: text('overdue3'),
  shortSubject: text('cameBackShortSubject'),
  short: text('cameBackShort'),
  soonSubject: text('dueSoonSubject'),
  soon: text('dueSoon'),
  readySubject: text('reservedSubject'),
  ready: text('reserved2'),
  end: text('howEnds'),
  ring: text('whomRing'),
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
        save.mutate(own, { onSuccess: () => say(text('messagesKept', { language: languageName(language) })) })
      }
    >
      <Stack $gap={10}>
        <Quiet>
          {text('bracesStandsWhatEach')}
          {lacks.length > 0 &&
            text('partsHaveNoWords', { lacks: lacks.length, language: languageName(language) })}
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
            {text('keepTheseWords')}
          </Button>
          {from.own[language] && shipped && (
            <Button
              small
              plain
              isDisabled={save.isPending}
              onPress={() => save.mutate({}, { onSuccess: () => setDraft(shipped) })}
            >
              {text('asShipped')}
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
    <Panel as="section" aria-label={text('yourOwnWords')}>
      <Stack $gap={10}>
        <h2>{text('yourOwnWords')}</h2>
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
              {from.own[l] ? text('changed') : from.shipped[l] ? '' : text('written2')}
            </Button>
          ))}
        </Row>
        {open !== null && <Edit key={`${open} ${from.version}`} language={open} from={from} />}
      </Stack>
    </Panel>
  );
}
