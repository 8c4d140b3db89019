import { useState } from 'react';
import type { Place } from '../../../contract/place.ts';
import { LOCAL } from '../../../core/gather/lookOver.ts';
import { APPROACHES } from '../../../core/patterns/kernel.ts';
import { MARKETS } from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { Backups } from './Backups.tsx';
import { People } from './People.tsx';
import { PlaceBasics } from '../../parts/PlaceBasics.tsx';
import { useChange, usePlace } from '../../data/queries.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField, MoneyField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Seam, SideBySide, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

type Local = (typeof LOCAL)[number];
const LOCAL_WORDS: Record<Local, string> = {
  keep: text('keep'),
  rest: text('quarantine'),
  never: text('never'),
};
/** A field that was emptied has no number until one is typed. */
type Draft = Omit<Place, 'loanDays' | 'restDays'> & { loanDays: number | null; restDays: number | null };
const drafted = (place: Place): Draft => ({ ...place, restDays: place.restDays ?? 3 });

function PlaceForm({ place }: { place: Place }) {
  const [draft, setDraft] = useState(() => drafted(place));
  const save = useChange((now: Draft) => {
    const { today: _, ...body } = now;
    return api<Place>('PUT', '/place', body);
  });
  const set = (part: Partial<Draft>): void => setDraft((d) => ({ ...d, ...part }));
  const options = (values: readonly string[]) =>
    values.map((v) => ({ value: v, label: v[0]!.toUpperCase() + v.slice(1) }));
  return (
    <Form onSubmit={() => save.mutate(draft, { onSuccess: (saved) => setDraft(drafted(saved)) })}>
      <Stack>
        <Heading over={text('setOnceChangedAny')} title={text('thisPlace')}>
          <Button type="submit" isDisabled={save.isPending}>
            {text('save')}
          </Button>
        </Heading>
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        {save.isSuccess && <Notice tone="clear">{text('saved')}</Notice>}
        <SideBySide>
          <Panel as="div">
            <Stack>
              <PlaceBasics value={draft} onChange={set} />
              <MoneyField
                label={text('hourAdultWorkLeft')}
                minor={draft.hourly}
                onChange={(hourly) => set({ hourly })}
              />
              <TextField
                label={text('telephFamilies')}
                value={draft.phone}
                onChange={(phone) => set({ phone })}
              />
              <Choice
                label={text('safetyRules')}
                value={draft.market}
                onChange={(v) => set({ market: v as Place['market'] })}
                options={options(MARKETS)}
              />
              <div>
                <ButtonLink plain small to="/rules">
                  {text('rules')}
                </ButtonLink>
              </div>
              <Choice
                label={text('newDesignsStartFrom')}
                value={draft.approach}
                onChange={(v) => set({ approach: v as Place['approach'] })}
                options={options(APPROACHES)}
              />
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack>
              <h2>{text('localPolicyOnFinds')}</h2>
              <Choice
                label={text('toiletRollTubes')}
                value={draft.toiletRolls ?? 'rest'}
                onChange={(v) => set({ toiletRolls: v as Local })}
                options={LOCAL.map((v) => ({ value: v, label: LOCAL_WORDS[v] }))}
              />
              <Choice
                label={text('cardEggCartons')}
                value={draft.eggCartons ?? 'rest'}
                onChange={(v) => set({ eggCartons: v as Local })}
                options={LOCAL.map((v) => ({ value: v, label: LOCAL_WORDS[v] }))}
              />
              <CountField
                label={text('quarantineCardPaperDays')}
                value={draft.restDays}
                onChange={(restDays) => set({ restDays })}
              />
              <Quiet>{text('whereLocalCodeSays')}</Quiet>
              <Seam />
              <h2>{text('lending')}</h2>
              <CountField
                label={text('loanLastsDays')}
                value={draft.loanDays}
                onChange={(loanDays) => set({ loanDays })}
              />
              <Seam />
              <h2>{text('tryThings')}</h2>
              <Choice
                label={text('simulatedThings')}
                value={draft.simulated ? 'shown' : 'hidden'}
                onChange={(v) => set({ simulated: v === 'shown' })}
                options={[
                  { value: 'hidden', label: text('hidden') },
                  { value: 'shown', label: text('shown') },
                ]}
              />
              <Quiet>{text('simulatedNothingReal')}</Quiet>
            </Stack>
          </Panel>
        </SideBySide>
      </Stack>
    </Form>
  );
}

/** What a place sets once. */
export function Component() {
  const { data: place, error } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!place) return <p role="status">{text('reading')}</p>;
  return (
    <Stack>
      <PlaceForm place={place} />
      <Backups />
      <People />
    </Stack>
  );
}
